/**
 * The price-book file, version 1: one provider's rates in one currency at one dated revision. Described in
 * `docs/formats/price-book.md`; checks that go across the file are in `price-book-checks.ts`.
 */
import { Decimal } from '@/core/base';
import type { BookData } from '@/core/books';
import type { Charge } from '@/core/rates';
import { type JsonBounds, readBoundedJson } from './bounded-json';
import { check, type Checked, refused } from './faults';
import { crossCheck } from './price-book-checks';
import { type OfferRow, type PriceBookFile, priceBookSchema, type RateRow } from './price-book-schema';

export * from './price-book-schema';

export const PRICE_BOOK_BOUNDS: JsonBounds = { mostBytes: 64_000_000 };

/** Reads and checks a price-book file. All faults are given, the first hundred by path. */
export function readPriceBook(text: string): Checked<PriceBookFile> {
  const json = readBoundedJson(text, PRICE_BOOK_BOUNDS);
  return json.ok ? checkPriceBook(json.value) : json;
}

export function checkPriceBook(data: unknown): Checked<PriceBookFile> {
  const shaped = check(priceBookSchema, data);
  if (!shaped.ok) return shaped;
  const faults = crossCheck(shaped.value);
  return faults.length > 0 ? refused(faults) : shaped;
}

/** The form the computation reads. */
export function toBookData(file: PriceBookFile): BookData {
  return {
    ...file.book,
    monthHours: new Decimal(file.book.monthHours),
    revision: file.revision.number,
    effective: file.revision.effective,
    source: file.revision.source,
    regions: file.regions,
    offers: file.offers.map(toOffer),
    rates: file.rates.map(toRate),
  };
}

export function toOffer(row: OfferRow): BookData['offers'][number] {
  return {
    ...row,
    vcpu: row.vcpu === null ? null : new Decimal(row.vcpu),
    memory: row.memory === null ? null : new Decimal(row.memory),
  };
}

export function toRate(row: RateRow): BookData['rates'][number] {
  return {
    ...row,
    charge: toCharge(row.charge),
    upfront: row.upfront === null ? null : new Decimal(row.upfront),
    allowance: row.allowance === null ? null : new Decimal(row.allowance),
  };
}

function toCharge(row: RateRow['charge']): Charge {
  if (row.structure === 'per-unit') return { structure: 'per-unit', price: new Decimal(row.price) };
  const tiers = row.tiers.map((each) => ({
    upTo: each.upTo === null ? null : new Decimal(each.upTo),
    price: new Decimal(each.price),
  }));
  return { structure: 'graduated', tiers };
}
