export * from './bare-sentence';
export * from './bare-table';
