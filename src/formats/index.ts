export { component as componentSchema } from './component';
export * from './design';
export * from './design-csv';
export * from './edit';
export * from './exchange-csv';
export * from './faults';
export * from './offer-query';
export * from './price-book';
export * from './report-options';
