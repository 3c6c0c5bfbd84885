export { type Assumption, assumptionsOf, withGuess } from './assumptions';
export * from './catalogue';
export { type StudyTrouble, studyTroubles } from './check';
export * from './draws';
export * from './explain';
export { FastStudy } from './fast-study';
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
export { studyMonth } from './study-month';
export * from './worked';
export * from './years-table';
export * from './answer';
export { type EstatePart, estateStudy } from './estate-study';
export { fleetStudy } from './fleet-study';
