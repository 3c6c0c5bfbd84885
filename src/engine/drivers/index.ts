export * from './measure';
export * from './model';
export * from './parse';
export * from './steps';
