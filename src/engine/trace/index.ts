export * from './combine';
export * from './figure';
export type * from './model';
export * from './plain';
