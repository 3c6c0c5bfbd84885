/** Price books for a command that needs few of their offers: files of other books are passed over, other rates are not kept. */
import fs from 'node:fs';
import { indexBook, type PriceBook } from '@/engine/books';
import { checkPriceBook, toBookData } from '@/features/price-books/format/price-book';
import { type OfferRow, type RateRow, type RegionRow } from '@/features/price-books/format/price-book-schema';
import { readBook } from '@/features/price-books/format/stream';
import { invalid } from '@/platform/use/app-error';
import { bookFiles, bytesOf } from './files';

/** By key of a book: its offers that are asked for. */
export type WantedOffers = ReadonlyMap<string, ReadonlySet<string>>;

interface Peeked {
  readonly file: string;
  readonly key: string;
  readonly revision: number;
}

const BEGINNING = 65_536;

/**
 * The newest revision of each wanted book. `families`: with all sizes of the families that are asked for. Rates that nobody
 * asks for are not checked: `books check` does that.
 */
export async function newestBooks(
  paths: readonly string[],
  wanted: WantedOffers,
  families: boolean,
): Promise<PriceBook[]> {
  const newest = new Map<string, Peeked>();
  const unclear: string[] = [];
  for (const file of bookFiles(paths)) {
    const found = peeked(file);
    if (!found) unclear.push(file);
    else if (wanted.has(found.key) && (newest.get(found.key)?.revision ?? 0) < found.revision)
      newest.set(found.key, found);
  }
  const books: PriceBook[] = [];
  for (const file of [...[...newest.values()].map((each) => each.file), ...unclear]) {
    const book = await fewRates(file, wanted, families);
    const known = books.findIndex(({ key }) => key === book.key);
    if (!wanted.has(book.key)) continue;
    if (known < 0) books.push(book);
    else if (books[known]!.revision < book.revision) books[known] = book;
  }
  return books;
}

/** Which book a plain JSON file is, by its beginning; null: that cannot be told so. */
function peeked(file: string): Peeked | null {
  if (!file.endsWith('.json')) return null;
  let text: string;
  try {
    const opened = fs.openSync(file, 'r');
    try {
      const bytes = Buffer.alloc(BEGINNING);
      text = bytes.toString('utf8', 0, fs.readSync(opened, bytes, 0, BEGINNING, 0));
    } finally {
      fs.closeSync(opened);
    }
  } catch {
    return null;
  }
  const book = /"book"\s*:\s*\{[^{}]*?"key"\s*:\s*"([^"\\]+)"/.exec(text)?.[1];
  const revision = /"revision"\s*:\s*\{[^{}]*?"number"\s*:\s*(\d+)/.exec(text)?.[1];
  return book && revision ? { file, key: book, revision: Number(revision) } : null;
}

/** Larger files are streamed. */
const MOST_AT_ONCE = 32_000_000;

interface PlainBook {
  readonly book: { readonly key: string };
  readonly offers: readonly OfferRow[];
  readonly rates: readonly { readonly sku: string }[];
}

/**
 * A plain file of usual size, parsed as a whole, which takes a fraction of the time of streaming it. Null: it is none, or
 * something is wrong with it; streaming says what and where.
 */
function plainRates(file: string, wanted: WantedOffers, families: boolean): PriceBook | null {
  if (!file.endsWith('.json') || fs.statSync(file).size > MOST_AT_ONCE) return null;
  try {
    const data = JSON.parse(fs.readFileSync(file, 'utf8')) as PlainBook;
    const own = wanted.get(data.book.key) ?? new Set<string>();
    const asked = new Set(data.offers.flatMap(({ sku, family }) => (own.has(sku) ? [family] : [])));
    const meant = new Set(
      data.offers.flatMap(({ sku, family }) =>
        own.has(sku) || (families && asked.has(family)) ? [sku] : [],
      ),
    );
    const checked = checkPriceBook({ ...data, rates: data.rates.filter(({ sku }) => meant.has(sku)) });
    return checked.ok ? indexBook(toBookData(checked.value)) : null;
  } catch {
    return null;
  }
}

async function fewRates(file: string, wanted: WantedOffers, families: boolean): Promise<PriceBook> {
  const plain = plainRates(file, wanted, families);
  if (plain) return plain;
  const kept = { regions: [] as RegionRow[], offers: [] as OfferRow[], rates: [] as RateRow[] };
  let own: ReadonlySet<string> | null = null;
  let isWanted: (sku: string) => boolean = () => true;
  const read = await readBook(bytesOf(file).source, {
    head: async ({ book }) => {
      own = wanted.get(book.key) ?? new Set();
      isWanted = (sku) => own!.has(sku);
    },
    regions: async (rows) => void kept.regions.push(...rows),
    offers: async (rows) => {
      kept.offers.push(...rows);
      if (!families || !own) return;
      const asked = new Set(kept.offers.filter(({ sku }) => own!.has(sku)).map(({ family }) => family));
      const skus = new Set(kept.offers.filter(({ family }) => asked.has(family)).map(({ sku }) => sku));
      isWanted = (sku) => own!.has(sku) || skus.has(sku);
    },
    rates: async (rows) => void kept.rates.push(...rows),
    wants: (sku) => isWanted(sku),
  });
  if (read.faults.length > 0) throw invalid(`“${file}” is refused:`, read.faults, read.more);
  return indexBook(toBookData({ format: 'wick-price-book', version: 1, ...read.head!, ...kept }));
}
