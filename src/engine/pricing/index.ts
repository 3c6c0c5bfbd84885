export * from './allowances';
export * from './alone';
export * from './book-set';
export * from './calculation';
export * from './conditions';
export type { When } from './context';
export * from './priced';
export * from './pricer';
export * from './printed';
