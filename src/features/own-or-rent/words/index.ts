export * from './study-sentence';
export * from './study-words';
export * from './study-drawing';
export * from './study-tables';
export * from './study-quarters';
export * from './study-report';
