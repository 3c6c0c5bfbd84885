export * from './figure';
export * from './plain';
