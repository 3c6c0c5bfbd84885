/** The price books a pricing run may read: a look-up by key and revision. */
import type { PriceBook } from '../books';
import type { Design } from '../design';

export interface BookSet {
  get(book: string, revision: number): PriceBook | undefined;
}

/**
 * @example
 * bookSet([book]).get('small', 3)?.key; // => 'small'
 */
export function bookSet(books: readonly PriceBook[]): BookSet {
  const byKey = new Map<string, Map<number, PriceBook>>();
  for (const book of books) byKey.set(book.key, (byKey.get(book.key) ?? new Map()).set(book.revision, book));
  return { get: (book, revision) => byKey.get(book)?.get(revision) };
}

/**
 * The book of a key in the revision that the design is pinned to, each looked up once.
 *
 * @example
 * pinnedBooks(design, books)('small')?.revision; // => 3
 */
export function pinnedBooks(design: Design, books: BookSet): (key: string) => PriceBook | undefined {
  const found = new Map<string, PriceBook | undefined>();
  return (key) => {
    if (!found.has(key)) {
      const pin = design.books.find((each) => each.book === key);
      found.set(key, pin && books.get(pin.book, pin.revision));
    }
    return found.get(key);
  };
}
