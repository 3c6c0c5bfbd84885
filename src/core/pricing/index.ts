export * from './alone';
export * from './book-set';
export * from './price-design';
export * from './priced';
export * from './printed';
export { unitMonthlyCost } from './unit-cost';
