export { partsPrice } from './by-parts';
export * from './charge';
export * from './charge-faults';
export { capacityUnits } from './greatest-of';
export { priceLeaf } from './price-leaf';
export * from './stepped-range';
export * from './structure';
export * from './read-charge';
