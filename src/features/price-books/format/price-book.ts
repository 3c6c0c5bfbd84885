/**
 * The price-book file, version 1: one provider's rates in one currency at one dated revision. Described in
 * `docs/formats/price-book.md`; checks that go across the file are in `price-book-checks.ts`.
 */
import { type Decimal, decimal } from '@/engine/base';
import type { BookData } from '@/engine/books';
import { readCharge } from '@/engine/rates';
import { type JsonBounds, readBoundedJson } from '@/platform/formats/bounded-json';
import { check, type Checked, refused } from '@/platform/formats/faults';
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
    monthHours: decimal(file.book.monthHours),
    revision: file.revision.number,
    effective: file.revision.effective,
    source: file.revision.source,
    regions: file.regions,
    offers: file.offers.map(toOffer),
    rates: file.rates.map(toRate),
  };
}

export function toOffer(row: OfferRow): BookData['offers'][number] {
  const { limits, grants, gpu, ...rest } = row;
  return {
    ...rest,
    vcpu: optional(row.vcpu),
    memory: optional(row.memory),
    ...(gpu === undefined ? {} : { gpu: optional(gpu) }),
    ...(limits
      ? {
          limits: {
            vcpuLeast: decimal(limits.vcpuLeast),
            vcpuMost: decimal(limits.vcpuMost),
            memoryPerVcpuLeast: decimal(limits.memoryPerVcpuLeast),
            memoryPerVcpuMost: decimal(limits.memoryPerVcpuMost),
          },
        }
      : {}),
    ...(grants ? { grants: grants.map((each) => ({ ...each, amount: decimal(each.amount) })) } : {}),
  };
}

export function toRate(row: RateRow): BookData['rates'][number] {
  return {
    sku: row.sku,
    region: row.region,
    meter: row.meter,
    term: row.term,
    unit: row.unit,
    charge: readCharge(row.charge),
    upfront: optional(row.upfront),
    allowance: optional(row.allowance),
    pool: row.pool,
    ...(Object.keys(row).length > PLAIN_FIELDS ? rareFields(row) : {}),
  };
}

/** Rates with more than these fields are few, and the others are many. */
const PLAIN_FIELDS = 9;

function rareFields(row: RateRow): Partial<BookData['rates'][number]> {
  const { increment, minimums, sustained, range, early } = row;
  return {
    allowanceMonths: row.allowanceMonths ?? null,
    increment: increment
      ? { step: decimal(increment.step), unit: increment.unit, least: optional(increment.least) }
      : null,
    minimums: minimums
      ? {
          each: optional(minimums.each),
          count: optional(minimums.count),
          total: optional(minimums.total),
          keptDays: optional(minimums.keptDays),
        }
      : null,
    basis: row.basis ?? 'consumed',
    sustained: sustained
      ? sustained.map((each) => ({ upTo: decimal(each.upTo), multiplier: decimal(each.multiplier) }))
      : null,
    monthlyCap: optional(row.monthlyCap ?? null),
    range: range ? { low: decimal(range.low), high: decimal(range.high) } : null,
    early: early ? (early.rule === 'fee' ? { rule: 'fee', share: decimal(early.share) } : early) : null,
    overage: optional(row.overage ?? null),
  };
}

function optional(text: string | null): Decimal | null {
  return text === null ? null : decimal(text);
}
