export { partsPrice } from './by-parts';
export * from './charge';
export * from './stepped-range';
export * from './structure';
export * from './read-charge';
