/** The prices that a bill really shows, beside the book in use, and as its next revision: list and contracted apart. Needs B24, Q9. */
import { addAll, decimal } from '@/engine/base';
import { type HeldRate, holdRates, type PaidRate, paidRates } from '@/features/bills/calc';
import { toRate } from '@/features/price-books/format/price-book';
import { type RateRow } from '@/features/price-books/format/price-book-schema';
import { writeBookJson } from '@/features/price-books/format/stream';
import { AppError, invalid } from '@/platform/use/app-error';
import { openBill } from './bills';
import { importBook, type ImportedBook } from '@/features/price-books/use/import-book';
import { allow } from '@/platform/use/may';
import type { BookCatalogue, Context, StoredBill } from '@/stores/ports';

/** Which of its prices become a book: what anybody pays, or what this account does. */
export const BILL_PRICES = ['list', 'contracted'] as const;
export type BillPrices = (typeof BILL_PRICES)[number];

export interface HeldPrices {
  /** The book in use; null: there is none of this provider. */
  readonly book: { readonly key: string; readonly title: string; readonly revision: number } | null;
  readonly rates: readonly HeldRate[];
  readonly currency: string;
  /** Money of the bill by which its list prices are above the book's. */
  readonly difference: string;
}

interface Compared {
  readonly bill: StoredBill;
  readonly catalogue: BookCatalogue | null;
  readonly held: HeldPrices;
}

export async function holdPrices(context: Context, id: string): Promise<HeldPrices> {
  allow(context.actor, 'holdPrices');
  return (await compared(context, id)).held;
}

async function compared(context: Context, id: string): Promise<Compared> {
  const { workspace } = context.actor;
  const bill = await openBill(context, id);
  const paid = paidRates(await context.bills.things(workspace, id));
  const catalogue = await bookInUse(context, bill);
  const rates = catalogue ? await heldRates(context, catalogue, paid) : paid.map(withoutBook);
  const difference = addAll(rates.map((each) => decimal(each.difference ?? '0'))).toString();
  const book = catalogue && {
    ...{ key: catalogue.book.key, title: catalogue.book.title, revision: catalogue.revision.number },
  };
  return { bill, catalogue, held: { book, rates, currency: bill.currency, difference } };
}

const withoutBook = (paid: PaidRate): HeldRate => ({
  ...{ paid, state: 'unknown-sku', meter: null, unit: null },
  ...{ listed: null, list: null, contracted: null, difference: null },
});

/** What the design pins of this provider in this currency; else the newest that is here. */
async function bookInUse(context: Context, bill: StoredBill): Promise<BookCatalogue | null> {
  const { workspace } = context.actor;
  const linked = await context.bills.designOf(workspace, bill);
  const design = linked ? (await context.designs.find(workspace, linked))?.design : undefined;
  const listed = (await context.books.list(workspace)).filter(
    ({ provider, currency }) => provider === bill.provider && currency === bill.currency,
  );
  const pin = design?.books.find(({ book }) => listed.some(({ key }) => key === book));
  const newest = listed.flatMap(({ key, revisions }) =>
    revisions.map(({ number, effective }) => ({ book: key, revision: number, effective })),
  );
  newest.sort((a, b) =>
    a.effective === b.effective ? b.revision - a.revision : a.effective < b.effective ? 1 : -1,
  );
  const chosen = pin ?? newest[0];
  return chosen ? context.books.catalogue(workspace, chosen.book, chosen.revision) : null;
}

async function heldRates(
  context: Context,
  { book, revision, offers }: BookCatalogue,
  paid: readonly PaidRate[],
): Promise<HeldRate[]> {
  const kinds = new Map(offers.map(({ sku, kind }) => [sku, kind]));
  const skus = [...new Set(paid.map(({ sku }) => sku))].filter((sku) => kinds.has(sku));
  const rates = await Promise.all(
    skus.map((sku) => context.books.ratesOf(context.actor.workspace, book.key, revision.number, sku)),
  );
  const listed = rates.flatMap((each) => (each ?? []).filter(({ term }) => term === 'on-demand').map(toRate));
  return holdRates(paid, listed, kinds);
}

export interface BookDraft {
  readonly name: string;
  readonly key: string;
  readonly revision: number;
  /** Rates that have another price than before. */
  readonly changed: number;
  readonly chunks: AsyncIterable<string>;
}

/** As a price-book file. The contracted prices are a book of their own, so that nobody takes them for the list. */
export async function draftBook(context: Context, id: string, prices: BillPrices): Promise<BookDraft> {
  allow(context.actor, 'draftBook');
  const { bill, catalogue, held } = await compared(context, id);
  if (!catalogue)
    throw invalid(
      `There is no price book of ${bill.provider} in ${bill.currency} to take offers and regions from. Bring in its price list first, by its columns.`,
    );
  const paid = pricesBySku(held.rates, prices);
  if (paid.size === 0)
    throw invalid(
      `No rate of this bill has a ${prices} price that the book “${catalogue.book.title}” could take.`,
    );
  const { workspace } = context.actor;
  const isList = prices === 'list';
  const key = isList
    ? catalogue.book.key
    : `${catalogue.book.key}.${bill.account || 'contracted'}`.replace(/[^A-Za-z0-9._-]/g, '-').slice(0, 80);
  const listed = await context.books.list(workspace);
  const revisions = listed.find((each) => each.key === key)?.revisions ?? [];
  const number = Math.max(0, ...revisions.map((each) => each.number)) + 1;
  const rates = await context.books.allRates(workspace, catalogue.book.key, catalogue.revision.number);
  const title = isList
    ? catalogue.book.title
    : `${catalogue.book.title}, contracted with ${bill.account || bill.provider}`.slice(0, 200);
  const head = {
    book: { ...catalogue.book, key, title },
    revision: {
      ...{ number, effective: bill.from },
      source: `${prices} prices of the bill of ${bill.provider} ${bill.account}, ${bill.from} up to ${bill.to}: ${paid.size} rates; all others as in “${catalogue.book.title}”, revision ${catalogue.revision.number}`,
    },
  };
  const { regions, offers } = catalogue;
  return {
    ...{ name: `${key}-${number}.json`, key, revision: number, changed: paid.size },
    chunks: writeBookJson({ head, regions, offers, rates: replaced(rates!, paid) }),
  };
}

const rateKey = (sku: string, region: string, meter: string): string => `${sku}\n${region}\n${meter}`;

/** Of rates of one price each; of several rows for one rate the one that cost most counts. */
function pricesBySku(rates: readonly HeldRate[], prices: BillPrices): Map<string, string> {
  const found = new Map<string, string>();
  for (const { paid, state, meter, [prices]: price, listed } of rates) {
    if (state !== 'same' && state !== 'other-price') continue;
    const key = rateKey(paid.sku, paid.region, meter!);
    if (price === null || found.has(key)) continue;
    if (prices === 'contracted' || price !== listed) found.set(key, price);
  }
  return found;
}

async function* replaced(
  batches: AsyncIterable<readonly RateRow[]>,
  prices: ReadonlyMap<string, string>,
): AsyncGenerator<readonly RateRow[]> {
  for await (const batch of batches)
    yield batch.map((rate) => {
      const price =
        rate.term === 'on-demand' ? prices.get(rateKey(rate.sku, rate.region, rate.meter)) : undefined;
      return price === undefined ? rate : { ...rate, charge: { structure: 'per-unit', price } };
    });
}

/** Published as any file is. */
export async function publishFromBill(
  context: Context,
  id: string,
  prices: BillPrices,
): Promise<ImportedBook> {
  allow(context.actor, 'publishFromBill');
  const { name, chunks } = await draftBook(context, id, prices);
  const upload = { id: context.newId(), fileName: name, bytesTotal: null, source: encoded(chunks) };
  return importBook(context, upload);
}

async function* encoded(chunks: AsyncIterable<string>): AsyncGenerator<Uint8Array> {
  const encoder = new TextEncoder();
  for await (const chunk of chunks) yield encoder.encode(chunk);
}

/** What was paid as a price list of its own, for a provider of whom there is no book: a map says what its rows are. */
export async function paidPriceList(context: Context, id: string): Promise<readonly PaidRate[]> {
  allow(context.actor, 'paidPriceList');
  await openBill(context, id);
  const rates = paidRates(await context.bills.things(context.actor.workspace, id));
  if (rates.length === 0)
    throw new AppError('invalid', 'This bill has no use with a quantity: no rate can be read of it.');
  return rates;
}
