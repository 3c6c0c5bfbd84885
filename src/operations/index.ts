export * from './actor';
export * from './app-error';
export * from './books';
export * from './exchange';
export * from './import-book';
export * from './designs';
export * from './edit-design';
export * from './ports';
export { priceDesignOnServer } from './price-design';
