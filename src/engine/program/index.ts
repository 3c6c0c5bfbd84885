export * from './entries';
export { compileProgram } from './followed';
export * from './mixed';
export * from './steps';
export * from './under';
