export * from './equivalent-region';
export * from './meaning';
export * from './mover';
export * from './residence';
export { nearestTerms } from './paying-there';
export { sizeWithin } from './size-there';
