export * from './allowance';
export * from './cased';
export * from './running';
