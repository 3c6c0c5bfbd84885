export * from './allowance';
export * from './cased';
export * from './increments';
export * from './load';
export * from './minimums';
export * from './pattern';
export * from './profile';
export * from './running';
