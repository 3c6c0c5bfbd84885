export * from './summary';
export * from './wick';
export * from './misses';
