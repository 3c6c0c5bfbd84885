/** The price books a pricing run may read: a look-up by key and revision. */
import type { PriceBook } from '../books';

export interface BookSet {
  get(book: string, revision: number): PriceBook | undefined;
}

export function bookSet(books: readonly PriceBook[]): BookSet {
  const byKey = new Map<string, Map<number, PriceBook>>();
  for (const book of books) byKey.set(book.key, (byKey.get(book.key) ?? new Map()).set(book.revision, book));
  return { get: (book, revision) => byKey.get(book)?.get(revision) };
}
