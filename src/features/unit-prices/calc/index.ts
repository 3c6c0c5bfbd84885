export * from './measures';
export * from './rates';
export * from './own-quantities';
