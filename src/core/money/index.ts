export * from './currency';
export * from './rounding';
export * from './split';
