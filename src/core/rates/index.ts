export { partsPrice } from './by-parts';
export * from './charge';
export * from './charge-faults';
export * from './stepped-range';
export * from './structure';
export * from './read-charge';
