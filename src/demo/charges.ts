/** Short ways to write the charges of demo services; every price is at the level of a region and a revision. */
import { Decimal } from '@/engine/base';
import type { Kind } from '@/engine/books';
import type { RateRow } from '@/features/price-books/format/price-book-schema';
import type { Priced } from './provider-profile';

export function price(value: number, digits = 8): string {
  return new Decimal(value).toSignificantDigits(digits).toDecimalPlaces(12).toString();
}

export const per =
  (each: number): Priced =>
  (level) => ({ structure: 'per-unit', price: price(each * level) });

export const perBlock =
  (block: string, each: number): Priced =>
  (level) => ({ structure: 'per-block', block, price: price(each * level) });

type Tiers = readonly (readonly [upTo: string | null, price: number])[];

export const graduated =
  (...tiers: Tiers): Priced =>
  (level) => ({
    structure: 'graduated',
    tiers: tiers.map(([upTo, each]) => ({ upTo, price: price(each * level) })),
  });

/** Bands of money are the same everywhere. */
export const volume =
  (...tiers: Tiers): Priced =>
  () => ({ structure: 'volume', tiers: tiers.map(([upTo, each]) => ({ upTo, price: price(each) })) });

export const flat =
  (amount: number, once = false): Priced =>
  (level) => ({ structure: 'flat', amount: price(amount * level, 4), once });

export const stepped =
  (
    bands: readonly (readonly [upTo: string, fee: number])[],
    beyond: { readonly block: string; readonly fee: number } | null,
  ): Priced =>
  (level) => ({
    structure: 'stepped',
    bands: bands.map(([upTo, fee]) => ({ upTo, fee: price(fee * level, 4) })),
    beyond: beyond && { block: beyond.block, fee: price(beyond.fee * level, 4) },
  });

export const shareOfSpend =
  (
    tiers: readonly (readonly [upTo: string | null, share: string])[],
    floor: string | null,
    base: { readonly over: 'provider' | 'design'; readonly kinds: Kind[] } = { over: 'provider', kinds: [] },
  ): Priced =>
  () => ({
    structure: 'share-of-spend',
    tiers: tiers.map(([upTo, share]) => ({ upTo, share })),
    floor,
    base: { over: base.over, kinds: [...base.kinds] },
  });

/** Capacity units of a balancer, by what one of them carries. */
export const capacity =
  (
    carries: {
      readonly fresh: string;
      readonly open: string;
      readonly gb: string;
      readonly requests?: string;
    },
    unitHour: number,
  ): Priced =>
  (level) => ({
    structure: 'greatest-of',
    dimensions: [
      {
        dimension: 'new-connections',
        label: 'Connections begun a second',
        carries: carries.fresh,
        unit: 'item',
      },
      { dimension: 'open-connections', label: 'Connections held', carries: carries.open, unit: 'item' },
      { dimension: 'data', label: 'Gigabytes an hour', carries: carries.gb, unit: 'GB' },
      ...(carries.requests
        ? [
            {
              dimension: 'requests',
              label: 'Requests a second',
              carries: carries.requests,
              unit: 'request/s',
            },
          ]
        : []),
    ],
    unitPrice: price(unitHour * level),
    basePrice: null,
    whole: false,
  });

export const included = (allowance: string, more: Partial<RateRow> = {}): Partial<RateRow> => ({
  allowance,
  ...more,
});

export const chunks = (step: string, unit: string, least: string | null = null): Partial<RateRow> => ({
  increment: { step, unit, least },
});

export const least = (minimums: Partial<NonNullable<RateRow['minimums']>>): Partial<RateRow> => ({
  minimums: { each: null, count: null, total: null, keptDays: null, ...minimums },
});
