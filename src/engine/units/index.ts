export * from './quantity';
export * from './unit';
