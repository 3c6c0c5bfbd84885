export * from './book-repository';
export * from './connect';
export * from './design-repository';
export * from './migrate';
export * from './workspace-repository';
export type { Database } from './schema';
