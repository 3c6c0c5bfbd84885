export * from './currency';
export * from './rounding';
export * from './round-rows';
