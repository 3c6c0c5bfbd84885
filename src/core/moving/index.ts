export * from './equivalent-region';
export * from './meaning';
export type { Moved } from './model';
export * from './mover';
export { nearestTerms } from './paying-there';
export { sizeWithin } from './size-there';
export type { MoveWishes } from './wanted';
