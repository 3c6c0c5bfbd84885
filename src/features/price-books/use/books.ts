/** Listing, reading, searching, comparing and exporting price books. */
import { KIND_CODES, type Kind, kindOf, lotPrice } from '@/engine/books';
import { check } from '@/platform/formats/faults';
import { offerQuerySchema, type OfferQueryText } from '@/features/price-books/format/offer-query';
import { type OfferRow, type RateRow } from '@/features/price-books/format/price-book-schema';
import { toRate } from '@/features/price-books/format/price-book';
import { notFlat, writeBookCsv, writeBookJson } from '@/features/price-books/format/stream';
import { allow } from '@/platform/use/may';
import { AppError, invalid, notFound } from '@/platform/use/app-error';
import { worthOf } from './exchange';
import type {
  BookCatalogue,
  BookListing,
  Context,
  FoundOffer,
  OfferQuery,
  RateQuery,
  RevisionDifference,
} from '@/stores/ports';

export async function listBooks(context: Context): Promise<BookListing[]> {
  allow(context.actor, 'listBooks');
  return context.books.list(context.actor.workspace);
}

export async function readCatalogue(
  context: Context,
  book: string,
  revision: number,
): Promise<BookCatalogue> {
  allow(context.actor, 'readCatalogue');
  const catalogue = await context.books.catalogue(context.actor.workspace, book, revision);
  if (!catalogue) throw notFound('price book');
  return catalogue;
}

export async function readRates(
  context: Context,
  book: string,
  revision: number,
  wanted: readonly RateQuery[],
): Promise<readonly RateRow[]> {
  allow(context.actor, 'readRates');
  const rates = await context.books.rates(context.actor.workspace, book, revision, wanted);
  if (!rates) throw notFound('price book');
  return rates;
}

/** Offers by words over all books, newest revisions; for the find field. Fewer than two letters find nothing. */
export async function findOffers(context: Context, text: string): Promise<FoundOffer[]> {
  allow(context.actor, 'findOffers');
  const words = wordsOf(text);
  if (words.join('').length < 2) return [];
  return context.books.search(context.actor.workspace, { words, limit: 20 });
}

function wordsOf(text: string): string[] {
  return text.trim().toLowerCase().slice(0, 100).split(/\s+/).filter(Boolean).slice(0, 6);
}

/** Offers by everything that can be asked of them. `data` comes from anyone; refused with its faults. */
export async function searchOffers(context: Context, data: unknown): Promise<FoundOffer[]> {
  allow(context.actor, 'searchOffers');
  const checked = check(offerQuerySchema, data);
  if (!checked.ok) throw invalid('The search is not understood.', checked.faults, checked.more);
  const { text, limit, ...rest } = checked.value;
  return context.books.search(context.actor.workspace, {
    ...rest,
    ...(looksAround(checked.value) ? { perKind: PER_KIND } : {}),
    worth: worthOf(await context.exchange.list(context.actor.workspace)),
    words: wordsOf(text ?? ''),
    limit: limit ?? 100,
  });
}

/** Kinds have nothing in common that they could be sorted by: who asks for nothing sees some of each. */
const PER_KIND = 5;

function looksAround({ limit: _, text = '', ...asked }: OfferQueryText): boolean {
  const { book: _book, region: _region, ...others } = asked;
  return text.trim() === '' && Object.values(others).every((each) => each === undefined);
}

export interface Counterpart extends FoundOffer {
  /** Of one lot, against the offer asked about; null where one has no price or the currencies differ. */
  readonly against: string | null;
}

export interface OfferSheet {
  readonly book: BookCatalogue['book'];
  readonly revision: BookCatalogue['revision'];
  readonly offer: OfferRow;
  readonly regions: BookCatalogue['regions'];
  readonly rates: readonly RateRow[];
  /** In other books: the cheapest offers of the kind that are at least as large. */
  readonly counterparts: readonly Counterpart[];
}

const COUNTERPARTS_A_BOOK = 2;

/** Everything about one offer: its rates in every region, where it is sold, its counterparts elsewhere. */
export async function readOffer(
  context: Context,
  book: string,
  revision: number,
  sku: string,
): Promise<OfferSheet> {
  const catalogue = await readCatalogue(context, book, revision);
  const offer = catalogue.offers.find((each) => each.sku === sku);
  const rates = offer && (await context.books.ratesOf(context.actor.workspace, book, revision, sku));
  if (!offer || !rates) throw notFound('offer');
  const prices = rates
    .filter((rate) => rate.term === 'on-demand')
    .flatMap((rate) => lotPrice(toRate(rate)) ?? []);
  const own = prices.sort((a, b) => a.comparedTo(b))[0];
  const counterparts = await counterpartsOf(context, book, offer);
  return {
    book: catalogue.book,
    revision: catalogue.revision,
    offer,
    regions: catalogue.regions,
    rates,
    counterparts: counterparts.map((each) => ({
      ...each,
      against:
        own && !own.isZero() && each.price !== null && each.currency === catalogue.book.currency
          ? own.negated().plus(each.price).dividedBy(own).toDecimalPlaces(4).toString()
          : null,
    })),
  };
}

async function counterpartsOf(context: Context, book: string, offer: OfferRow): Promise<FoundOffer[]> {
  const { workspace } = context.actor;
  const others = (await context.books.list(workspace)).filter((each) => each.key !== book);
  const sized = kindOf(offer.kind).size !== 'none';
  const query = (key: string): OfferQuery => ({
    words: [],
    kind: offer.kind,
    book: key,
    ...(sized && offer.vcpu !== null ? { vcpu: offer.vcpu } : {}),
    ...(sized && offer.memory !== null ? { memory: offer.memory } : {}),
    ...(offer.gpu ? { gpu: offer.gpu } : {}),
    limit: COUNTERPARTS_A_BOOK,
  });
  return (await Promise.all(others.map((each) => context.books.search(workspace, query(each.key))))).flat();
}

const RATES_LISTED = 2000;

export async function compareRevisions(
  context: Context,
  book: string,
  before: number,
  after: number,
): Promise<RevisionDifference> {
  allow(context.actor, 'compareRevisions');
  const { workspace } = context.actor;
  const difference = await context.books.difference(workspace, book, before, after, RATES_LISTED);
  if (!difference) throw notFound('revision');
  return difference;
}

/** The whole book as a file, piece by piece. The flat form is refused where it would lose something. */
export async function exportBook(
  context: Context,
  book: string,
  revision: number,
  form: 'json' | 'csv',
): Promise<{ readonly name: string; readonly chunks: AsyncIterable<string> }> {
  const catalogue = await readCatalogue(context, book, revision);
  const { workspace } = context.actor;
  const all = async () => (await context.books.allRates(workspace, book, revision))!;
  const pieces = {
    head: { book: catalogue.book, revision: catalogue.revision },
    regions: catalogue.regions,
    offers: catalogue.offers,
  };
  const name = `${book}-${revision}.${form}`;
  if (form === 'json') return { name, chunks: writeBookJson({ ...pieces, rates: await all() }) };
  const offers = new Map(catalogue.offers.map((each) => [each.sku, each]));
  const regions = new Map(catalogue.regions.map((each) => [each.code, each]));
  let lost = 0;
  for await (const rates of await all()) lost += notFlat(rates, offers, regions);
  if (lost > 0) {
    const message = `The flat form would lose something of ${lost} rates of this book. Take the JSON form; it carries everything.`;
    throw new AppError('invalid', message);
  }
  return { name, chunks: writeBookCsv({ ...pieces, rates: await all() }) };
}

export function isKind(text: string): text is Kind {
  return (KIND_CODES as readonly string[]).includes(text);
}
