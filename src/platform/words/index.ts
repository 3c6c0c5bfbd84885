export * from './amount';
export * from './issue-sentence';
