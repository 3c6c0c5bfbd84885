export * from './queue';
export * from './worker';
