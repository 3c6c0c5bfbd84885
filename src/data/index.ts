export * from './book-repository';
export { connect } from './connect';
export { designRepository } from './design-repository';
export * from './exchange-repository';
export * from './import-repository';
export * from './migrate';
export * from './workspace-repository';
export type { Database } from './schema';
