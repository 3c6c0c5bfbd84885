/** What is asked of one rate, and the small rules that every source of quantity shares. */
import type { Component } from '@/engine/design';
import type { Case } from '@/engine/usage';
import type { OfferRow, RateRow } from '@/features/price-books/format/price-book-schema';
import { f, type Fraction, most } from './fraction';
import type { Meter } from './kinds';
import { convert } from './units';
import { Refused } from './week';

export interface Asked {
  readonly component: Component;
  readonly offer: OfferRow;
  readonly meter: Meter;
  readonly rate: RateRow;
  readonly count: Fraction;
  readonly month: Fraction;
  readonly which: Case;
}

export const minimum = (rate: RateRow, which: 'each' | 'count' | 'total' | 'keptDays'): Fraction | null => {
  const value = rate.minimums?.[which];
  return value == null ? null : f(value);
};

/** At least so much of what there is at all. */
export function raised(value: Fraction, floor: Fraction | null): Fraction {
  return floor === null || value.isZero ? value : most(value, floor);
}

export function unitsOf({ count, rate }: Asked): Fraction {
  return raised(count, minimum(rate, 'count'));
}

export function inUnit(amount: Fraction, from: string, to: string): Fraction {
  const factor = convert(from, to);
  if (!factor) throw new Refused('unit.mismatch');
  return amount.times(factor);
}
