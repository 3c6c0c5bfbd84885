export * from './answer';
export * from './looked-at';
