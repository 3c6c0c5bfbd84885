export * from './review-words';
export * from './review-tables';
export * from './mapped-words';
export * from './held-words';
export * from './limit-words';
