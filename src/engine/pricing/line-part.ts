/** One part of a line: what is paid in one way, in the book's currency, before agreements. */
import { type Decimal, type Result, ZERO } from '../base';
import type { EarlyEnd, RateTerm } from '../terms';
import { type Figure, given } from '../trace';
import type { AgreedPrice } from './on-demand';
import type { Resolved } from './resolved';

export interface LinePart {
  readonly meter: string;
  readonly sku: string;
  readonly unit: string;
  /** All that is used of the meter in the month, before allowances; null: it hangs on no use. Parts of one meter say the same. */
  readonly used: Figure | null;
  /** Under which price it is paid: agreements name one. */
  readonly term: RateTerm;
  /** As it compares, a month: recurring + upfront spread over the term. One-time fees are not in it. */
  readonly monthly: Figure;
  readonly recurring: Decimal;
  readonly upfront: Decimal;
  /** Paid once, at the start. */
  readonly once: Decimal;
  readonly wholeTerm: { readonly months: number; readonly amount: Decimal } | null;
  /** After so many months the upfront payment is due again; null: there is none. */
  readonly renews: number | null;
  readonly early: EarlyEnd | null;
  /** Paid with another line's money. */
  readonly bought: Bought | null;
  /** The month (of a one-time fee: the fee) at agreed prices; null: a fixed price means nothing here. */
  readonly atPrice: ((agreed: AgreedPrice) => Result<Figure>) | null;
}

/** A commitment's or a credit's money is its own line's: what was agreed on that line holds for it. */
export interface Bought {
  readonly by: Resolved;
  /** How much of the month was paid ahead. */
  readonly ahead: Decimal;
}

export function plainPart(
  meter: string,
  sku: string,
  unit: string,
  monthly: Figure,
  used: Figure | null,
): LinePart {
  return {
    meter,
    sku,
    unit,
    used,
    term: 'on-demand',
    monthly,
    recurring: monthly.value,
    upfront: ZERO,
    once: ZERO,
    wholeTerm: null,
    renews: null,
    early: null,
    bought: null,
    atPrice: null,
  };
}

/** A one-time fee is no part of the month; its own steps are kept below it. */
export function nothing(figure: Figure): Figure {
  return given(figure.label, ZERO, figure.unit, `paid once: ${figure.value}`);
}
