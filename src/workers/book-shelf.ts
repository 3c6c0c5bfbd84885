/** The worker's price books: fetched as designs need them, kept because revisions never change. */
import type { PriceBook } from '@/core/books';
import { allComponents, type Component, type Design } from '@/core/design';
import { type BookSet, bookSet } from '@/core/pricing';
import { type BookWithoutRates, LoadedBook, type RatesWanted, ratesWanted } from '@/formats/loaded-book';
import type { RateRow } from '@/formats/price-book';

export type FetchJson = (path: string) => Promise<unknown>;

/** Addresses must not grow beyond what servers take. */
const SKUS_AT_ONCE = 100;

export class BookShelf {
  private readonly books = new Map<string, Promise<LoadedBook | null>>();

  constructor(private readonly fetchJson: FetchJson) {}

  /** The books a design needs; of the kinds of `wholeKinds` every offer in their regions. */
  async booksFor(design: Design, wholeKinds: readonly Component[] = []): Promise<BookSet> {
    const components = allComponents(design);
    const books = await Promise.all(
      design.books.map(async ({ book, revision }) => {
        const wanted = ratesWanted(components, book, wholeKinds);
        if (wanted.length === 0) return null;
        const loaded = await this.loaded(book, revision);
        return loaded && loaded.with(wanted);
      }),
    );
    return bookSet(books.filter((book): book is PriceBook => book !== null));
  }

  private async loaded(key: string, revision: number): Promise<LoadedBook | null> {
    const path = `/api/books/${encodeURIComponent(key)}/${revision}`;
    const known = this.books.get(path);
    if (known) return known;
    const loading = this.fetchJson(path).then((catalogue) =>
      catalogue === null
        ? null
        : new LoadedBook(catalogue as BookWithoutRates, async (wanted) =>
            (await Promise.all(wanted.map((each) => this.rates(path, each)))).flat(),
          ),
    );
    this.books.set(path, loading);
    try {
      const book = await loading;
      // A revision that is not there may be brought in later.
      if (!book) this.books.delete(path);
      return book;
    } catch (error) {
      this.books.delete(path);
      throw error;
    }
  }

  private async rates(path: string, { region, skus, kinds }: RatesWanted): Promise<RateRow[]> {
    const rows: RateRow[] = [];
    for (let at = 0; at === 0 || at < skus.length; at += SKUS_AT_ONCE) {
      const query = new URLSearchParams({ region });
      for (const sku of skus.slice(at, at + SKUS_AT_ONCE)) query.append('sku', sku);
      if (at === 0) for (const kind of kinds) query.append('kind', kind);
      rows.push(...(((await this.fetchJson(`${path}/rates?${query}`)) as RateRow[] | null) ?? []));
    }
    return rows;
  }
}
