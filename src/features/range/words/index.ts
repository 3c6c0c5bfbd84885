export * from './range-drawing';
export * from './range-sentence';
