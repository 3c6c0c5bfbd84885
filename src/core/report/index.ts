export * from './build';
export { agreementWords } from './assumptions';
export type * from './model';
export * from './live-entries';
