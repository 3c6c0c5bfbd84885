/**
 * Usage commitments: so many units paid every hour of the term, whether they run or not. Three views of the same
 * money: monthly (recurring + upfront ÷ months), cash (upfront when it leaves, then recurring), term (all of it).
 * Source: pricing rules, "Usage commitment"; needs E2 to E4.
 */
import { type Decimal, decimal } from '../base';
import { type Figure, given, product, quotient, rate, type RateSource, sum } from '../trace';
import type { Commitment } from './term';

export interface CommittedAmounts {
  /** recurring + upfront ÷ months: the figure to compare with on demand. */
  readonly monthly: Figure;
  /** What leaves each month. */
  readonly recurring: Figure;
  /** What leaves at the start. */
  readonly upfront: Figure;
  /** upfront + months × recurring. */
  readonly wholeTerm: Figure;
}

export interface CommitmentTerms {
  readonly commitment: Commitment;
  readonly hourlyPrice: Decimal;
  /** Per unit, once; null: nothing. */
  readonly upfrontPrice: Decimal | null;
  readonly currency: string;
  readonly source: RateSource;
}

/** All amounts in the book's currency. `count` is units, `hoursInMonth` the whole month, used or not. */
export function committedAmounts(
  terms: CommitmentTerms,
  count: Figure,
  hoursInMonth: Decimal,
): CommittedAmounts {
  const { currency, source, commitment } = terms;
  const months = given('Months of the term', decimal(commitment.months), 'month');
  const hours = given(
    'Hours of the month',
    hoursInMonth,
    'hour',
    'committed hours are paid whether used or not',
  );
  const hourly = rate('Committed price per hour', terms.hourlyPrice, `${currency} per hour`, source);
  const recurring = product('Recurring each month', currency, [count, hours, hourly]);
  const once = rate(
    'Upfront price per unit',
    terms.upfrontPrice ?? decimal(0),
    `${currency} per unit`,
    source,
  );
  const upfront = product('Paid upfront', currency, [count, once]);
  const spread = quotient('Upfront spread over the term', currency, [upfront, months]);
  return {
    recurring,
    upfront,
    monthly: sum(`Committed for ${commitment.months} months`, currency, [recurring, spread]),
    wholeTerm: sum('Over the whole term', currency, [
      upfront,
      product('All recurring payments', currency, [recurring, months]),
    ]),
  };
}
