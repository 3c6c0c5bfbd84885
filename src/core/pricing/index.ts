export * from './alone';
export * from './book-set';
export * from './months';
export * from './price-cases';
export * from './price-design';
export * from './priced';
export * from './printed';
export * from './unit-cost';
