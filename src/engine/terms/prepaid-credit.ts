/**
 * Prepaid credit: an amount a month for a term, cheaper than list by the band the amount falls in. Use up to the
 * credit is paid at that discount; beyond it at list price or the book's overage price; what is not used is lost.
 * Several pay one after the other: each takes what the ones before did not pay, at the price before any credit.
 * Source: pricing rules, "Prepaid credit", "Where two rules meet", 2; needs E10 to E12, K9.
 */
import { difference, type Figure, given, greatest, least, quotient } from '../trace';

export interface CreditUse {
  /** The share of all payable use, at list, that the credit pays. */
  readonly share: Figure;
  /** What one unit of list money costs within the credit. */
  readonly price: Figure;
  /** Of the credit: the share that buys nothing. */
  readonly unused: Figure;
  /** What is left for the next one, at list. */
  readonly left: Figure;
}

/**
 * `credit` list money is prepaid for `cost`; `left` is what others did not pay of `spend`, all at list.
 *
 * @example
 * const usd = (value: string) => given('', decimal(value), 'USD');
 * creditUse(usd('100'), usd('90'), usd('40'), usd('40'), 'USD').unused.value.toString(); // => '0.6'
 */
export function creditUse(
  credit: Figure,
  cost: Figure,
  left: Figure,
  spend: Figure,
  currency: string,
): CreditUse {
  const none = given('Nothing', credit.value.times(0), currency);
  const one = given('All', credit.value.times(0).plus(1), '');
  const nothing = given('Nothing', credit.value.times(0), '');
  if (credit.value.isZero()) return { share: nothing, price: one, unused: nothing, left };
  const used = least('Use within the credit', currency, [left, credit]);
  const share = spend.value.isZero() ? nothing : quotient('Share within the credit', '', [used, spend]);
  return {
    share,
    price: quotient('Price of one unit of credit', '', [cost, credit]),
    unused: quotient('Share of the credit that buys nothing', '', [
      greatest('Credit not used', currency, [difference('Credit less use', currency, [credit, left]), none]),
      credit,
    ]),
    left: greatest('Left beyond the credit', currency, [
      difference('Use less the credit', currency, [left, credit]),
      none,
    ]),
  };
}
