export * from './agreement';
export * from './commitment';
export * from './early-end';
export * from './prepaid-credit';
export * from './spend-commitment';
export * from './sustained-use';
export * from './term';
