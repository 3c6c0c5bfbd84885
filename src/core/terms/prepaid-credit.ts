/**
 * Prepaid credit: an amount a month for a term, cheaper than list by the band the amount falls in. Use up to the
 * credit is paid at that discount; beyond it at list price or the book's overage price; what is not used is lost.
 * Source: pricing rules, "Prepaid credit"; needs E10 to E12, K9.
 */
import { type Decimal, ONE } from '../base';
import { difference, type Figure, given, greatest, least, product, quotient, sum } from '../trace';

export interface CreditUse {
  /** What one unit of list money costs, part in the credit and part beyond it. */
  readonly factor: Figure;
  /** What the credit costs without buying anything. */
  readonly unused: Figure;
}

/**
 * `credit` list money is prepaid for `cost`; `spend` is all that may be paid from it, at list. `overage` multiplies
 * list prices beyond the credit; null: 1.
 */
export function creditUse(
  credit: Figure,
  cost: Figure,
  spend: Figure,
  overage: Decimal | null,
  currency: string,
): CreditUse {
  const none = given('Nothing', credit.value.times(0), currency);
  if (credit.value.isZero()) {
    return { factor: given('Nothing is prepaid', overage ?? ONE, ''), unused: none };
  }
  const price = quotient('Price of one unit of credit', '', [cost, credit]);
  const left = greatest('Credit not used', currency, [
    difference('Credit less use', currency, [credit, spend]),
    none,
  ]);
  const unused = product('Credit that buys nothing', currency, [left, price]);
  if (spend.value.isZero()) return { factor: price, unused };
  const inCredit = quotient('Share within the credit', '', [
    least('Use within the credit', currency, [spend, credit]),
    spend,
  ]);
  const beyond = difference('Share beyond the credit', '', [given('All', ONE, ''), inCredit]);
  const factor = sum('Price of list money', '', [
    product('Within the credit', '', [inCredit, price]),
    product('Beyond the credit', '', [beyond, given('Price beyond', overage ?? ONE, '')]),
  ]);
  return { factor, unused };
}
