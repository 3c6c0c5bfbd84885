/** The in-memory twins of the stores of books, imports and exchange rates. */
import { Decimal } from '@/engine/base';
import { KIND_CODES, kindOf, offerPrice } from '@/engine/books';
import { type OfferRow, type PriceBookFile } from '@/features/price-books/format/price-book-schema';
import { toRate } from '@/features/price-books/format/price-book';
import { AppError } from '@/platform/use/app-error';
import { differenceBetween } from '@/features/price-books/use/book-difference';
import { requireSameBook } from '@/features/price-books/use/same-book';
import type {
  BookListing,
  BookStore,
  ExchangeRow,
  ExchangeStore,
  FoundOffer,
  ImportRow,
  ImportStore,
  OfferQuery,
} from '@/stores/ports';

interface KeptBook {
  readonly workspace: string;
  readonly file: PriceBookFile;
  readonly at: string;
}

export function memoryBookStore(): BookStore {
  const kept: KeptBook[] = [];
  const find = (workspace: string, book: string, revision: number): PriceBookFile | undefined =>
    kept.find(
      (each) =>
        each.workspace === workspace && each.file.book.key === book && each.file.revision.number === revision,
    )?.file;
  return {
    list: async (workspace) => listBooks(kept.filter((each) => each.workspace === workspace)),
    publish: async (workspace, at, work) => {
      const file: Writable<PriceBookFile> = { ...EMPTY, regions: [], offers: [], rates: [] };
      await work({
        head: async ({ book, revision }) => {
          const known = kept.find((each) => each.workspace === workspace && each.file.book.key === book.key);
          if (known) requireSameBook(known.file.book, book);
          if (find(workspace, book.key, revision.number)) throw existsAlready(book.title, revision.number);
          Object.assign(file, { book, revision });
        },
        regions: async (rows) => void file.regions.push(...rows),
        offers: async (rows) => void file.offers.push(...rows),
        rates: async (rows) => void file.rates.push(...rows),
      });
      kept.push({ workspace, file, at: at.toISOString() });
    },
    catalogue: async (workspace, book, revision) => {
      const file = find(workspace, book, revision);
      if (!file) return null;
      const { regions, offers } = file;
      return {
        book: file.book,
        revision: file.revision,
        regions,
        offers,
        availability: availabilityOf(file),
      };
    },
    search: async (workspace, query) => {
      const own = kept.filter((each) => each.workspace === workspace);
      const newest = listBooks(own).map((book) => find(workspace, book.key, book.revisions[0]!.number)!);
      const found = newest
        .flatMap((file) => file.offers.flatMap((offer) => foundOf(file, offer, query)))
        .sort(byPrice(query.worth ?? {}));
      const { perKind } = query;
      if (perKind === undefined) return found.slice(0, query.limit);
      const byKind = KIND_CODES.flatMap((kind) =>
        found.filter((each) => each.kind === kind).slice(0, perKind),
      );
      return byKind.slice(0, query.limit);
    },
    rates: async (workspace, book, revision, queries) => {
      const file = find(workspace, book, revision);
      if (!file) return null;
      const kinds = new Map(file.offers.map((offer) => [offer.sku, offer.kind]));
      return file.rates.filter((rate) =>
        queries.some(
          (query) =>
            query.region === rate.region &&
            (query.skus.includes(rate.sku) || query.kinds.includes(kinds.get(rate.sku)!)),
        ),
      );
    },
    ratesOf: async (workspace, book, revision, sku) =>
      find(workspace, book, revision)?.rates.filter((rate) => rate.sku === sku) ?? null,
    allRates: async (workspace, book, revision) => {
      const file = find(workspace, book, revision);
      return file ? onePage(file.rates) : null;
    },
    difference: async (workspace, book, before, after, limit) => {
      const [from, to] = [find(workspace, book, before), find(workspace, book, after)];
      return from && to ? differenceBetween(from, to, limit) : null;
    },
  };
}

type Writable<T> = { -readonly [F in keyof T]: T[F] };

const EMPTY: PriceBookFile = {
  format: 'wick-price-book',
  version: 1,
  book: { key: '', title: '', provider: '', currency: 'USD', monthHours: '730' },
  revision: { number: 1, effective: '', source: '' },
  regions: [],
  offers: [],
  rates: [],
};

async function* onePage<T>(rows: readonly T[]): AsyncGenerator<readonly T[]> {
  yield rows;
}

function availabilityOf(file: PriceBookFile): Record<string, string[]> {
  const availability: Record<string, string[]> = {};
  for (const rate of file.rates) {
    const codes = (availability[rate.sku] ??= []);
    if (!codes.includes(rate.region)) codes.push(rate.region);
  }
  for (const codes of Object.values(availability)) codes.sort();
  return availability;
}

function foundOf(file: PriceBookFile, offer: OfferRow, query: OfferQuery): FoundOffer[] {
  const { book, revision } = file;
  const text = [offer.name, offer.sku, offer.family, offer.service, kindOf(offer.kind).label]
    .concat(offer.processor, book.provider)
    .join(' ')
    .toLowerCase();
  const atLeast = (have: string | null | undefined, want: string | undefined): boolean =>
    want === undefined || (have != null && new Decimal(have).greaterThanOrEqualTo(want));
  const rates = file.rates.filter((rate) => rate.sku === offer.sku);
  const regions = [...new Set(rates.map((rate) => rate.region))].sort();
  const [cheapest] = regions
    .filter((region) => !query.region || region === query.region)
    .map((region) => {
      const here = rates.filter((rate) => rate.region === region);
      return { region, price: offerPrice(offer.kind, here.map(toRate)) };
    })
    .sort((a, b) => {
      if (!a.price !== !b.price) return a.price ? -1 : 1;
      return (a.price && b.price ? a.price.comparedTo(b.price) : 0) || (a.region < b.region ? -1 : 1);
    });
  const price = cheapest?.price;
  const fits =
    query.words.every((word) => text.includes(word)) &&
    (!query.kind || offer.kind === query.kind) &&
    (!query.book || book.key === query.book) &&
    (!query.region || regions.includes(query.region)) &&
    (!query.family || offer.family === query.family) &&
    atLeast(offer.vcpu, query.vcpu) &&
    atLeast(offer.memory, query.memory) &&
    atLeast(offer.gpu, query.gpu) &&
    (!query.capability || (offer.capabilities ?? []).includes(query.capability)) &&
    (!query.priceFrom || price?.greaterThanOrEqualTo(query.priceFrom) === true) &&
    (!query.priceTo || price?.lessThanOrEqualTo(query.priceTo) === true);
  if (!fits || !cheapest) return [];
  const { sku, name, kind, family, vcpu, memory, lifecycle } = offer;
  return [
    {
      book: book.key,
      bookTitle: book.title,
      revision: revision.number,
      currency: book.currency,
      ...{ sku, name, kind, family, vcpu, memory, lifecycle, regions },
      price: price?.toString() ?? null,
      region: cheapest.region,
      regionName: file.regions.find(({ code }) => code === cheapest.region)!.name,
    },
  ];
}

function byPrice(worth: Readonly<Record<string, string>>): (a: FoundOffer, b: FoundOffer) => number {
  const inOne = ({ price, currency }: FoundOffer): Decimal | null =>
    price === null ? null : new Decimal(price).times(worth[currency] ?? 1);
  return (a, b) => {
    const [first, second] = [inOne(a), inOne(b)];
    if (!first !== !second) return first ? -1 : 1;
    const order = first && second ? first.comparedTo(second) : 0;
    if (order !== 0) return order;
    if (a.book !== b.book) return a.book < b.book ? -1 : 1;
    return a.sku < b.sku ? -1 : 1;
  };
}

function existsAlready(title: string, revision: number): AppError {
  return new AppError('conflict', `Revision ${revision} of “${title}” is here already.`);
}

function listBooks(kept: readonly KeptBook[]): BookListing[] {
  const keys = [...new Set(kept.map((each) => each.file.book.key))].sort();
  return keys.map((key) => {
    const own = kept
      .filter((each) => each.file.book.key === key)
      .sort((a, b) => b.file.revision.number - a.file.revision.number);
    const { title, provider, currency } = own[0]!.file.book;
    const revisions = own.map(({ file, at }) => ({
      ...file.revision,
      regions: file.regions.length,
      offers: file.offers.length,
      rates: file.rates.length,
      publishedAt: at,
    }));
    return { key, title, provider, currency, revisions };
  });
}

export function memoryImportStore(): ImportStore {
  const kept = new Map<string, { workspace: string; row: ImportRow; cancelAsked: boolean }>();
  return {
    begin: async (workspace, { id, fileName, bytesTotal }, at) => {
      const time = at.toISOString();
      const row: ImportRow = {
        id,
        fileName,
        bytesTotal,
        state: 'running',
        bytes: 0,
        rates: 0,
        outcome: null,
        startedAt: time,
        seenAt: time,
      };
      kept.set(id, { workspace, row, cancelAsked: false });
    },
    progress: async (id, bytes, rates, at) => {
      const entry = kept.get(id);
      if (entry) entry.row = { ...entry.row, bytes, rates, seenAt: at.toISOString() };
      return entry?.cancelAsked ?? false;
    },
    end: async (id, state, outcome, at) => {
      const entry = kept.get(id);
      if (entry) entry.row = { ...entry.row, state, outcome, seenAt: at.toISOString() };
    },
    find: async (workspace, id) => {
      const entry = kept.get(id);
      return entry?.workspace === workspace ? entry.row : null;
    },
    cancel: async (workspace, id) => {
      const entry = kept.get(id);
      if (entry?.workspace !== workspace || entry.row.state !== 'running') return false;
      entry.cancelAsked = true;
      return true;
    },
  };
}

export function memoryExchangeStore(): ExchangeStore {
  const kept = new Map<string, Map<string, ExchangeRow>>();
  return {
    list: async (workspace) =>
      [...(kept.get(workspace)?.values() ?? [])].sort((a, b) => {
        if (a.date !== b.date) return a.date < b.date ? 1 : -1;
        return `${a.from}${a.to}` < `${b.from}${b.to}` ? -1 : 1;
      }),
    put: async (workspace, rows) => {
      const own = kept.get(workspace) ?? new Map<string, ExchangeRow>();
      kept.set(workspace, own);
      for (const row of rows) own.set(`${row.date} ${row.from} ${row.to}`, row);
    },
  };
}
