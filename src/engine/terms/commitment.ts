/**
 * Usage commitments: so many units paid every hour of the term, whether they run or not. Three views of the same
 * money: monthly (recurring + upfront ÷ months), cash (upfront when it leaves, then recurring), term (all of it).
 * Source: pricing rules, "Usage commitment"; needs E2 to E4.
 */
import { type Decimal, decimal, ZERO } from '../base';
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
  /** What leaves each month for all committed units. */
  readonly recurring: Figure;
  /** Per unit, once; null: nothing. */
  readonly upfrontPrice: Decimal | null;
  readonly currency: string;
  readonly source: RateSource;
}

/**
 * All amounts in the book's currency. `units` are those committed, paid for whether used or not.
 *
 * @example
 * const terms = { commitment: { months: 12, payment: 'all' }, recurring: given('Each month', decimal('0'), 'USD'), upfrontPrice: decimal('600'), currency: 'USD', source: { book: 'small', revision: 3, effective: '2026-11-01', sku: 'A-4', region: 'severn' } };
 * committedAmounts(terms, given('Units', decimal('2'), 'unit')).monthly.value.toString(); // => '100'
 */
export function committedAmounts(terms: CommitmentTerms, units: Figure): CommittedAmounts {
  const { currency, source, commitment, recurring } = terms;
  const months = given('Months of the term', decimal(commitment.months), 'month');
  const once = rate('Upfront price per unit', terms.upfrontPrice ?? ZERO, `${currency} per unit`, source);
  const upfront = product('Paid upfront', currency, [units, once]);
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

/**
 * The share of the month a unit must run for a commitment to cost no more than on demand: committed monthly ÷ a full
 * month on demand. Above 1 it never pays. Needs E15.
 *
 * @example
 * breakEvenShare(decimal('51.1'), decimal('73'))?.toString(); // => '0.7'
 */
export function breakEvenShare(committedMonthly: Decimal, onDemandFullMonth: Decimal): Decimal | null {
  return onDemandFullMonth.isZero() ? null : committedMonthly.dividedBy(onDemandFullMonth);
}
