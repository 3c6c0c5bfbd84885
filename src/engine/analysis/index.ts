export * from './budget';
export * from './leaving';
export * from './month-events';
export * from './months';
export * from './offers';
export * from './runaway';
export * from './ways-of-paying';
