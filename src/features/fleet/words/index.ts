export * from './fleet-cells';
export * from './fleet-report';
export * from './fleet-table';
export * from './fleet-told';
export * from './fleet-words';
