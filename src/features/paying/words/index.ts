export * from './cash-table';
export * from './paying-drawing';
export * from './paying-sentence';
export * from './paying-table';
export * from './plans-table';
