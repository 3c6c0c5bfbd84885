/** Brings together the price books a design needs: its pinned revisions, and of each only the rates it uses. */
import type { PriceBook } from '@/engine/books';
import { allComponents, type BookPin, type Component, type Design } from '@/engine/design';
import { type BookSet, bookSet } from '@/engine/pricing';
import { LoadedBook, ratesWanted } from '@/features/price-books/format/loaded-book';
import type { RateSource } from '@/features/design/format/loaded-alternatives';
import type { BookStore } from '@/stores/ports';

/** The newest books are kept, as long as they are not large. */
const KEPT = 24;
const MOST_RATES = 200_000;
const caches = new WeakMap<BookStore, Map<string, Promise<LoadedBook | null>>>();

export async function loadBooks(store: BookStore, workspace: string, design: Design): Promise<BookSet> {
  const components = allComponents(design);
  const loaded = await Promise.all(
    design.books.map(async ({ book, revision }): Promise<PriceBook | null> => {
      const wanted = ratesWanted(components, book);
      if (wanted.length === 0) return null;
      const found = await bookOf(store, workspace, book, revision);
      return found && (await found.with(wanted));
    }),
  );
  return bookSet(loaded.filter((book): book is PriceBook => book !== null));
}

/** Books that come to hold more as more is asked about: where an alternative leads is known step by step. */
export class GrowingBooks implements BookSet, RateSource {
  private readonly here = new Map<string, LoadedBook>();

  constructor(
    private readonly store: BookStore,
    private readonly workspace: string,
  ) {}

  get(book: string, revision: number): PriceBook | undefined {
    return this.here.get(`${book}\n${revision}`)?.now;
  }

  /** Some revision of a book, for its name and those of its regions. */
  named(key: string): PriceBook | undefined {
    for (const book of this.here.values()) if (book.now.key === key) return book.now;
    return undefined;
  }

  get extent(): number {
    let extent = this.here.size;
    for (const book of this.here.values()) extent += book.rateCount;
    return extent;
  }

  async catalogues(pins: readonly BookPin[]): Promise<void> {
    await Promise.all(pins.map(({ book, revision }) => this.loaded(book, revision)));
  }

  async booksFor(design: Design, wholeKinds: readonly Component[] = []): Promise<void> {
    const components = allComponents(design);
    await Promise.all(
      design.books.map(async ({ book, revision }) => {
        const wanted = ratesWanted(components, book, wholeKinds);
        if (wanted.length > 0) await (await this.loaded(book, revision))?.with(wanted);
      }),
    );
  }

  private async loaded(key: string, revision: number): Promise<LoadedBook | null> {
    const found = await bookOf(this.store, this.workspace, key, revision);
    if (found) this.here.set(`${key}\n${revision}`, found);
    return found;
  }
}

async function bookOf(
  store: BookStore,
  workspace: string,
  key: string,
  revision: number,
): Promise<LoadedBook | null> {
  const cache = caches.get(store) ?? new Map<string, Promise<LoadedBook | null>>();
  caches.set(store, cache);
  const name = [workspace, key, revision].join('\n');
  const known = await cache.get(name);
  if (known && known.rateCount <= MOST_RATES) return known;
  const loading = store
    .catalogue(workspace, key, revision)
    .then(
      (catalogue) =>
        catalogue &&
        new LoadedBook(
          catalogue,
          async (wanted) => (await store.rates(workspace, key, revision, wanted)) ?? [],
        ),
    );
  cache.set(name, loading);
  if (cache.size > KEPT) cache.delete(cache.keys().next().value!);
  const book = await loading.catch((error: unknown) => {
    cache.delete(name);
    throw error;
  });
  if (!book) cache.delete(name);
  return book;
}
