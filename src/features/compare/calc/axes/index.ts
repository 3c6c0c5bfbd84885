export * from './axis';
export * from './looked-at';
export * from './model';
