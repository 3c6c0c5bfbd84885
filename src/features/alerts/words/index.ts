export * from './watch-words';
