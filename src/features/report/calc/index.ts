export * from './beside';
export * from './build';
export { agreementWords } from './assumptions';
export * from './model';
export * from './live-entries';
