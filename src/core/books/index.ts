export * from './book';
export * from './kind';
export * from './nearest';
