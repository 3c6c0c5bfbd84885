export * from './book';
export * from './lots';
export * from './kind';
export * from './nearest';
