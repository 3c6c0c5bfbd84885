/**
 * The price-book file, version 1: one provider's rates in one currency at one dated revision. Described in
 * `docs/formats/price-book.md`; checks that go across the file are in `price-book-checks.ts`.
 */
import { z } from 'zod';
import { Decimal } from '@/core/base';
import { type BookData, KIND_CODES } from '@/core/books';
import type { Charge } from '@/core/rates';
import { amountText, code, currency, isoDate, LIMITS, longText, name, term, unit } from './fields';
import { type JsonBounds, readBoundedJson } from './bounded-json';
import { check, type Checked, refused } from './faults';
import { crossCheck } from './price-book-checks';

const tier = z.strictObject({ upTo: amountText.nullable(), price: amountText });

const charge = z.discriminatedUnion('structure', [
  z.strictObject({ structure: z.literal('per-unit'), price: amountText }),
  z.strictObject({ structure: z.literal('graduated'), tiers: z.array(tier).min(1).max(50) }),
]);

const region = z.strictObject({
  code,
  name,
  country: name,
  latitude: z.number().min(-90).max(90),
  longitude: z.number().min(-180).max(180),
  carbon: z.number().min(0).max(3000).nullable(),
});

const offer = z.strictObject({
  sku: code,
  kind: z.enum(KIND_CODES),
  name,
  family: z.string().max(LIMITS.name),
  processor: z.string().max(LIMITS.name),
  vcpu: amountText.nullable(),
  memory: amountText.nullable(),
  burstable: z.boolean(),
  lifecycle: z.enum(['current', 'retiring']),
  retires: isoDate.nullable(),
  replacedBy: code.nullable(),
  note: longText,
});

const rate = z.strictObject({
  sku: code,
  region: code,
  meter: code,
  term,
  unit,
  charge,
  upfront: amountText.nullable(),
  allowance: amountText.nullable(),
  pool: z.enum(['component', 'region', 'provider']),
});

export const priceBookSchema = z.strictObject({
  format: z.literal('wick-price-book'),
  version: z.literal(1),
  book: z.strictObject({ key: code, title: name, provider: name, currency, monthHours: amountText }),
  revision: z.strictObject({ number: z.int().min(1).max(1_000_000), effective: isoDate, source: longText }),
  regions: z.array(region).min(1).max(500),
  offers: z.array(offer).min(1).max(200_000),
  rates: z.array(rate).min(1).max(LIMITS.rates),
});

export type PriceBookFile = z.infer<typeof priceBookSchema>;
export type RateRow = PriceBookFile['rates'][number];
export type OfferRow = PriceBookFile['offers'][number];

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
  return { ...row, vcpu: row.vcpu === null ? null : new Decimal(row.vcpu), memory: row.memory === null ? null : new Decimal(row.memory) };
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
