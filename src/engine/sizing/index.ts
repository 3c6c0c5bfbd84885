export * from './cheapest-that-fits';
