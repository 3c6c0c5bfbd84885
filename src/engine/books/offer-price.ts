/**
 * What lists say an offer costs: the lot of its main meter, or, where that costs nothing, the fee that is charged
 * whether it is used or not. "From 0.00" beside a monthly fee would be a lie. Needs J9, K3.
 */
import { type Decimal, ZERO } from '../base';
import type { Rate } from './book';
import type { Kind } from './kind';
import { isLeadingRate, lotPrice } from './lots';

/**
 * What is charged each month however much is used; null: this rate is no such fee.
 *
 * @example
 * standingFee({ term: 'on-demand', charge: { structure: 'flat', amount: decimal('9'), once: false } })?.toString(); // => '9'
 */
export function standingFee({ charge, term }: Pick<Rate, 'charge' | 'term'>): Decimal | null {
  return term === 'on-demand' && charge.structure === 'flat' && !charge.once ? charge.amount : null;
}

/**
 * The rates of one offer in one region, folded into its price. Null: it has no such price.
 *
 * @example
 * const hours = { meter: 'running', term: 'on-demand', unit: 'hour', charge: { structure: 'per-unit', price: decimal('0') } };
 * const fee = { meter: 'fee', term: 'on-demand', unit: 'month', charge: { structure: 'flat', amount: decimal('9'), once: false } };
 * offerPrice('dedicated-line', [hours, fee])?.toString(); // => '9'
 */
export function offerPrice(
  kind: Kind,
  rates: readonly Pick<Rate, 'meter' | 'charge' | 'unit' | 'term' | 'upfront' | 'monthlyCap'>[],
): Decimal | null {
  const leading = rates.find((rate) => isLeadingRate(rate, kind));
  const price = leading ? lotPrice(leading) : null;
  const fee = rates.reduce((sum, rate) => sum.plus(standingFee(rate) ?? ZERO), ZERO);
  return price?.isZero() && fee.gt(0) ? fee : price;
}
