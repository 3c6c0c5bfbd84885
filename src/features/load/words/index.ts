export * from './curve-sentence';
export * from './curve-table';
export * from './curve-drawing';
export * from './load-tables';
