export * from './equivalent-region';
export * from './meaning';
export * from './mover';
export { nearestTerms } from './paying-there';
export { sizeWithin } from './size-there';
