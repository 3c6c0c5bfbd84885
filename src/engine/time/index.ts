export * from './month';
