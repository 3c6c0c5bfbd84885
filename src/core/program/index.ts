export * from './entries';
export * from './followed';
export * from './steps';
