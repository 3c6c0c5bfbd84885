export { partsPrice } from './by-parts';
export * from './charge';
export { steppedFee } from './stepped';
export * from './stepped-range';
export * from './structure';
export * from './read-charge';
