export * from './entries';
export * from './followed';
export { Program, type ProgramInput } from './program';
export * from './steps';
