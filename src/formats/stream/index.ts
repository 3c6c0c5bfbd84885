export type { BookCounts, BookHeadRow, BookSink } from './book-reader';
export { BOOK_BOUNDS } from './bytes';
export * from './read-book';
export * from './write-book';
