export * from './change-words';
export * from './edit-words';
export * from './use-sentence';
