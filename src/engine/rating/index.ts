export * from './offer-index';
export * from './rate-card';
export * from './unit-cost';
