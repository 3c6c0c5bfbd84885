/** The worker's price books: fetched region by region as designs need them, kept because revisions never change. */
import { type BookData, indexBook, type PriceBook } from '@/core/books';
import { allComponents, type Design } from '@/core/design';
import { type BookSet, bookSet } from '@/core/pricing';
import {
  type OfferRow,
  type PriceBookFile,
  type RateRow,
  toBookData,
  toOffer,
  toRate,
} from '@/formats/price-book';

interface Catalogue {
  readonly book: PriceBookFile['book'];
  readonly revision: PriceBookFile['revision'];
  readonly regions: PriceBookFile['regions'];
  readonly offers: readonly OfferRow[];
  readonly availability: Readonly<Record<string, readonly string[]>>;
}

export type FetchJson = (path: string) => Promise<unknown>;

export class BookShelf {
  private readonly catalogues = new Map<string, Promise<BookData>>();
  private readonly rates = new Map<string, Promise<BookData['rates']>>();
  private readonly indexed = new Map<string, PriceBook>();

  constructor(private readonly fetchJson: FetchJson) {}

  /** The books a design needs, with the regions it uses and those of `also`. */
  async booksFor(
    design: Design,
    also: readonly Design['sections'][number]['components'][number][] = [],
  ): Promise<BookSet> {
    const places = [...allComponents(design), ...also].flatMap((component) => component.place ?? []);
    const books = await Promise.all(
      design.books.map(async ({ book, revision }) => {
        const regions = [
          ...new Set(places.filter((place) => place.book === book).map((place) => place.region)),
        ].sort();
        return regions.length === 0 ? null : this.book(book, revision, regions);
      }),
    );
    return bookSet(books.filter((book): book is PriceBook => book !== null));
  }

  private async book(key: string, revision: number, regions: readonly string[]): Promise<PriceBook | null> {
    const name = `${key}@${revision}`;
    const wanted = `${name}\n${regions.join('\n')}`;
    const known = this.indexed.get(wanted);
    if (known) return known;
    const path = `/api/books/${encodeURIComponent(key)}/${revision}`;
    const data = await remember(this.catalogues, name, async () =>
      catalogueData((await this.fetchJson(path)) as Catalogue | null),
    );
    if (data.regions.length === 0) return null;
    const rates = await Promise.all(
      regions.map((region) =>
        remember(this.rates, `${name}\n${region}`, async () => {
          const rows = (await this.fetchJson(`${path}/rates?region=${encodeURIComponent(region)}`)) as
            readonly RateRow[] | null;
          return (rows ?? []).map(toRate);
        }),
      ),
    );
    const book = indexBook({ ...data, rates: rates.flat() });
    this.indexed.set(wanted, book);
    return book;
  }
}

/** Null (no such revision) becomes a book without regions, which prices nothing and says so. */
function catalogueData(catalogue: Catalogue | null): BookData {
  const { availability, ...rest } = catalogue ?? EMPTY;
  const file = { format: 'wick-price-book' as const, version: 1 as const, ...rest, offers: [], rates: [] };
  return { ...toBookData(file), offers: rest.offers.map(toOffer), availability };
}

const EMPTY: Catalogue = {
  book: { key: '', title: '', provider: '', currency: 'USD', monthHours: '730' },
  revision: { number: 1, effective: '', source: '' },
  regions: [],
  offers: [],
  availability: {},
};

async function remember<T>(map: Map<string, Promise<T>>, key: string, load: () => Promise<T>): Promise<T> {
  const known = map.get(key);
  if (known) return known;
  const loading = load();
  map.set(key, loading);
  try {
    return await loading;
  } catch (error) {
    map.delete(key);
    throw error;
  }
}
