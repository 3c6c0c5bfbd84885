/** What differs between two revisions that are in memory. The database works the same out by itself. */
import { Decimal } from '@/engine/base';
import { firstUnitPrice, readCharge } from '@/engine/rates';
import type { OfferRow, PriceBookFile, RateRow } from '@/features/price-books/format/price-book-schema';
import type { RateDifference, RevisionDifference } from '@/stores/ports';

export function differenceBetween(
  before: PriceBookFile,
  after: PriceBookFile,
  limit: number,
): RevisionDifference {
  const offers = pairs(before.offers, after.offers, (offer) => offer.sku);
  const rates = pairs(before.rates, after.rates, keyOf).filter(differs);
  return {
    offersAdded: offers.flatMap((pair) => (pair.before === null && pair.after ? [pair.after] : [])),
    offersGone: offers.flatMap((pair) => (pair.after === null && pair.before ? [pair.before] : [])),
    offersChanged: offers.flatMap((pair) =>
      pair.before && pair.after && differs(pair) ? [{ before: pair.before, after: pair.after }] : [],
    ) as { before: OfferRow; after: OfferRow }[],
    ratesAdded: rates.filter((pair) => pair.before === null).length,
    ratesGone: rates.filter((pair) => pair.after === null).length,
    ratesChanged: rates.filter((pair) => pair.before && pair.after).length,
    rates: rates.slice(0, limit) satisfies RateDifference[],
  };
}

function keyOf({ sku, region, meter, term }: RateRow): string {
  return [sku, region, meter, term].join('\n');
}

interface Pair<T> {
  readonly before: T | null;
  readonly after: T | null;
}

function pairs<T>(before: readonly T[], after: readonly T[], key: (row: T) => string): Pair<T>[] {
  const earlier = new Map(before.map((row) => [key(row), row]));
  const later = new Map(after.map((row) => [key(row), row]));
  return [...new Set([...earlier.keys(), ...later.keys()])]
    .sort((a, b) => (a < b ? -1 : 1))
    .map((each) => ({ before: earlier.get(each) ?? null, after: later.get(each) ?? null }));
}

function differs({ before, after }: Pair<unknown>): boolean {
  return canonical(before) !== canonical(after);
}

/** The same text for the same content, whatever the order of fields. */
function canonical(value: unknown): string {
  return JSON.stringify(value, (_, each: unknown) =>
    each && typeof each === 'object' && !Array.isArray(each)
      ? Object.fromEntries(Object.entries(each).sort(([a], [b]) => (a < b ? -1 : 1)))
      : each,
  );
}

export interface RateChange {
  readonly what: 'added' | 'gone' | 'dearer' | 'cheaper' | 'changed';
  /** Which price `before` and `after` are: the first unit's, or what is paid upfront where only that changed. */
  readonly of: 'price' | 'upfront';
  /** 0.04 is 4 % dearer; null where one of them has no price or only something else changed. */
  readonly share: string | null;
  readonly before: string | null;
  readonly after: string | null;
}

/** How a rate differs: by how much of its price, or in something else. */
export function changeOf({ before, after }: RateDifference): RateChange {
  const [price, next] = [before, after].map((row) => row && firstUnitPrice(readCharge(row.charge)));
  const onlyUpfront = price && next && price.equals(next) && before?.upfront !== after?.upfront;
  const of = onlyUpfront && before?.upfront && after?.upfront ? 'upfront' : 'price';
  const from = of === 'upfront' ? new Decimal(before!.upfront!) : price;
  const to = of === 'upfront' ? new Decimal(after!.upfront!) : next;
  const texts = { of, before: from?.toString() ?? null, after: to?.toString() ?? null } as const;
  if (!before) return { what: 'added', share: null, ...texts };
  if (!after) return { what: 'gone', share: null, ...texts };
  if (!from || !to || from.equals(to) || before.unit !== after.unit) {
    return { what: 'changed', share: null, ...texts };
  }
  const share = from.isZero() ? null : to.dividedBy(from).minus(1).toDecimalPlaces(6).toString();
  return { what: to.greaterThan(from) ? 'dearer' : 'cheaper', share, ...texts };
}
