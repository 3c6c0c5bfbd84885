export * from './matcher';
export type * from './model';
export * from './placed';
export * from './sizing-rule';
