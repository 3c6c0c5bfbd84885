export * from './summary';
export * from './wick';
