export { type Assumption, assumptionsOf, withGuess, withGuesses } from './assumptions';
export * from './catalogue';
export { type StudyTrouble, studyTroubles, TROUBLE_CODES, type TroubleCode } from './check';
export * from './draws';
export * from './explain';
export { FastStudy } from './fast-study';
export type { FlowLine } from './flow-book';
export {
  type BreakEven,
  breakEvenOf,
  type Leaning,
  leaningsOf,
  neutralStudy,
  type StudyMap,
  studyMap,
  type StudySwing,
  swingsOfStudy,
} from './hangs';
export * from './model';
export { newStudy, usual } from './new-study';
export * from './outcome';
export type { StudyCase } from './read-values';
export { studyMonth } from './study-month';
export * from './years-table';
export * from './answer';
export { type Estate, type EstatePart, estateStudy, type EstateTarget } from './estate-study';
export { fleetStudy } from './fleet-study';
