export * from './commitment';
export * from './term';
