export * from './credit-plan';
export type * from './model';
export * from './month-of';
export * from './regret';
export * from './spend-plan';
export * from './spend-week';
export * from './usage-plan';
