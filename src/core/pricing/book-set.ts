/** The price books a pricing run may read: a look-up by key and revision. */
import type { PriceBook } from '../books';

export interface BookSet {
  get(book: string, revision: number): PriceBook | undefined;
}

export function bookSet(books: readonly PriceBook[]): BookSet {
  const byKey = new Map(books.map((book) => [`${book.key}@${book.revision}`, book]));
  return { get: (book, revision) => byKey.get(`${book}@${revision}`) };
}
