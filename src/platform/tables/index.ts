export * from './drawing';
export * from './flat-table';
export * from './table-report';
