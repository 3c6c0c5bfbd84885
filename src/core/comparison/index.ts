export * from './compare';
export type * from './model';
export type { PricedColumn } from './side';
