export * from './book';
export * from './lots';
export * from './offer-price';
export * from './kind';
export * from './nearest';
