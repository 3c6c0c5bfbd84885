export * from './figure';
export * from './live';
export * from './plain';
