/** What is handed from step to step: who asks, what is asked, what a line is made of. */
import type { Component, Design } from '@/engine/design';
import type { Term } from '@/engine/terms';
import type { Case } from '@/engine/usage';
import type { OfferRow, PriceBookFile, RateRow } from '@/features/price-books/format/price-book-schema';
import type { ChargeRow, Parts } from './charge';
import { type Fraction, ZERO } from './fraction';
import type { Meter } from './kinds';
import type { Quantity } from './quantity';
import type { UnitsFor } from './running';
import type { Kind } from './week';

export interface When {
  /** 0 is the first month. */
  readonly month: number;
  readonly date: string | null;
}

/** What all steps look at. */
export interface Scene {
  readonly design: Design;
  readonly books: readonly PriceBookFile[];
  readonly which: Case;
  readonly when: When;
}

export interface ReferenceLine {
  readonly id: string;
  readonly monthly: Fraction;
  readonly list: Fraction;
  readonly resale: Fraction;
  readonly recurring: Fraction;
  readonly upfront: Fraction;
  readonly once: Fraction;
  /** Of its month, what other lines paid ahead. */
  readonly ahead: readonly { readonly by: string; readonly amount: Fraction }[];
  readonly committed: {
    readonly months: number;
    readonly recurring: Fraction;
    readonly upfront: Fraction;
  } | null;
  readonly early: RateRow['early'] | null;
}

export interface ReferencePriced {
  /** Null: it has no amount. */
  readonly lines: ReadonlyMap<string, ReferenceLine | null>;
  readonly monthly: Fraction;
  readonly list: Fraction;
  readonly resale: Fraction;
  readonly gross: Fraction;
  readonly recurring: Fraction;
  readonly upfront: Fraction;
}

export const COMMITTED = /^(12|36)-(none|part|all)(-exchangeable)?$/;

export function monthsOf(term: Term): number | null {
  const match = COMMITTED.exec(term);
  return match ? Number(match[1]) : null;
}

export interface Owner {
  readonly component: Component;
  readonly book: PriceBookFile;
  readonly offer: OfferRow;
  readonly region: string;
  readonly count: Fraction;
  readonly month: Fraction;
  readonly parts: Parts | null;
}

/** Committed units of one meter: what is paid every hour. */
export interface Committed {
  readonly rate: RateRow;
  /** Committed units, and those that only the least number adds. */
  readonly units: Fraction;
  readonly missing: Fraction;
  readonly least: Fraction;
  /** What they are charged for, in the rate's unit. */
  readonly amount: Fraction;
  readonly quantity: Quantity;
  /** False: the meter is no running time, and committed as a whole. */
  readonly byTheHour: boolean;
}

export interface Demand {
  readonly owner: Owner;
  readonly meter: Meter;
  readonly rate: RateRow;
  readonly quantity: Quantity;
  /** What is promised, and (unless that is nothing) what it takes off the use. */
  readonly promised: Committed | null;
  readonly committed: Committed | null;
}

/** A part of a line, in the book's currency. */
export interface Part {
  readonly meter: string;
  readonly unit: string;
  readonly term: string;
  readonly monthly: Fraction;
  readonly recurring: Fraction;
  readonly upfront: Fraction;
  readonly once: Fraction;
  /** Whose money pays it, and how much of it left ahead. */
  readonly bought: { readonly by: Owner; readonly ahead: Fraction } | null;
  readonly committed: ReferenceLine['committed'];
  readonly early: RateRow['early'] | null;
  /** The month at agreed prices; null: none. */
  readonly at: ((charge: ChargeRow) => Fraction) | null;
}

export interface Left {
  /** Of the use. */
  readonly share: Fraction;
  /** What fills the minimum of the month, in the rate's unit. */
  readonly missing: Fraction;
}

/** What is on demand of a demand: rates' units, and units by their hours. */
export interface Rest {
  readonly amount: Fraction;
  readonly kinds: readonly Kind[] | null;
  readonly ranks: readonly UnitsFor[] | null;
  /** Hours that only a minimum adds, and what the minimum of the month adds, in the rate's unit. */
  readonly added: Fraction;
  readonly filling: Fraction;
  readonly perHour: Fraction;
}

export function plainPart(meter: string, unit: string, amount: Fraction, charge: ChargeRow): Part {
  const once = charge.structure === 'flat' && charge.once;
  return {
    meter,
    unit,
    term: 'on-demand',
    monthly: once ? ZERO : amount,
    recurring: once ? ZERO : amount,
    upfront: ZERO,
    once: once ? amount : ZERO,
    bought: null,
    committed: null,
    early: null,
    at: null,
  };
}

/** A commitment's own line: what bought nothing. Its upfront money leaves whole. */
export function scaledMonth(part: Part, share: Fraction): Part {
  return { ...part, monthly: part.monthly.times(share), recurring: part.recurring.times(share) };
}

export function timesAll(part: Part, by: Fraction): Part {
  return {
    ...part,
    monthly: part.monthly.times(by),
    recurring: part.recurring.times(by),
    upfront: part.upfront.times(by),
    once: part.once.times(by),
    bought: part.bought && { by: part.bought.by, ahead: part.bought.ahead.times(by) },
    committed: part.committed && {
      months: part.committed.months,
      recurring: part.committed.recurring.times(by),
      upfront: part.committed.upfront.times(by),
    },
  };
}

export function earlier({ component: a }: Owner, { component: b }: Owner): number {
  return (a.months?.from ?? 1) - (b.months?.from ?? 1) || (a.id < b.id ? -1 : 1);
}

export function rateOf({ book, offer, region }: Owner, meter: string, term: string): RateRow | undefined {
  return book.rates.find(
    (rate) => rate.sku === offer.sku && rate.region === region && rate.meter === meter && rate.term === term,
  );
}
