/**
 * Allowances: a quantity that is included before charging begins, for ever or for the first months. An account has
 * one allowance, whatever the number of its designs: a design may be given a share of it, or none. Source:
 * "Allowance"; needs J2 to J4, K8.
 */
import type { Decimal } from '../base';
import { ONE, ZERO } from '../base';
import { difference, type Figure, given, greatest, product, relabel, sum } from '../trace';

export interface AllowanceTerms {
  /** Whether allowances count at all. */
  readonly counted: boolean;
  /** This design's share of what the account has: 1 is all. */
  readonly share?: Decimal;
  /** Months since the account began; an allowance that ends before is gone. */
  readonly month?: number;
}

export interface Included {
  readonly amount: Decimal | null;
  /** After so many months it ends; null: never. */
  readonly months?: number | null;
  /** What other parts of the design bring along, in the same unit. */
  readonly granted?: readonly Figure[];
}

/**
 * @example
 * hasEnded({ amount: decimal('100'), months: 12 }, { counted: true, month: 12 }); // => true
 */
export function hasEnded(included: Included, terms: AllowanceTerms): boolean {
  return included.amount !== null && included.months != null && (terms.month ?? 0) >= included.months;
}

/**
 * What is left to charge: max(0, quantity − allowance), or all of it when allowances are ignored.
 *
 * @example
 * afterAllowance(given('Sent', decimal('300'), 'GB'), { amount: decimal('100') }, { counted: true }).value.toString(); // => '200'
 */
export function afterAllowance(quantity: Figure, included: Included, terms: AllowanceTerms): Figure {
  const granted = included.granted ?? [];
  const { amount } = included;
  if (amount === null && granted.length === 0) return quantity;
  if (!terms.counted) {
    return relabel(
      quantity,
      quantity.label,
      `allowance of ${amount ?? 'its parts'} ${quantity.unit} not counted`,
    );
  }
  if (hasEnded(included, terms) && granted.length === 0) {
    return relabel(quantity, quantity.label, `the allowance of ${amount} ${quantity.unit} has ended`);
  }
  const all = includedFigure(included, quantity.unit, terms)!;
  const left = difference('Less the allowance', quantity.unit, [quantity, all]);
  return greatest('Charged after the allowance', quantity.unit, [
    left,
    given('Never below', ZERO, quantity.unit),
  ]);
}

/**
 * What is included each month, this design's share of it and what is granted; null: nothing is, or it does not count.
 *
 * @example
 * includedFigure({ amount: decimal('100') }, 'GB', { counted: true, share: decimal('0.5') })?.value.toString(); // => '50'
 */
export function includedFigure(included: Included, unit: string, terms: AllowanceTerms): Figure | null {
  const { amount, granted = [] } = included;
  if (!terms.counted) return null;
  const own = amount === null || hasEnded(included, terms) ? [] : [ownShare(amount, unit, terms)];
  const sources = [...own, ...granted];
  if (sources.length <= 1) return sources[0] ?? null;
  return sum('Included each month', unit, sources);
}

function ownShare(amount: Decimal, unit: string, terms: AllowanceTerms): Figure {
  const whole = given('Included each month', amount, unit);
  const share = terms.share ?? ONE;
  if (share.equals(ONE)) return whole;
  return product('This design’s share of the allowance', unit, [
    whole,
    given('Share of the account', share, ''),
  ]);
}
