export * from './arranged';
export * from './compare';
export * from './design';
export * from './mixed';
export type * from './model';
export * from './without-free';
export type { PricedColumn } from './side';
