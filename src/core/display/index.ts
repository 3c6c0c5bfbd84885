export * from './amount';
export * from './issue-sentence';
export { describeTerm } from '../terms';
export { describeMonth } from '../time';
