export * from './design';
export * from './design-csv';
export * from './edit';
export * from './faults';
export * from './price-book';
