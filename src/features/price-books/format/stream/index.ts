export type { BookHeadRow, BookSink } from './book-reader';
export * from './read-book';
export * from './write-book';
