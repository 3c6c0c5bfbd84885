export * from './charge';
export * from './structure';
