export * from './amount';
export * from './change-words';
export * from './comparison-sentence';
export * from './edit-words';
export * from './issue-sentence';
export * from './use-sentence';
export { describeTerm } from '../terms';
export { describeMonth } from '../time';
