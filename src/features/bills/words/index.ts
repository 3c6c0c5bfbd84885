export * from './bill-lines';
export * from './bill-tables';
export * from './bill-words';
export * from './use-words';
export * from './year-table';
export * from './group-table';
export * from './prices-table';
