export * from './axis-sentence';
export * from './comparison-sentence';
export * from './comparison-table';
