/**
 * Share of spend: graduated percentages of a base, with a floor. "10 % of the first 10 000, then 7 %, at least 100":
 * a base of 12 000 costs 1 140, a base of 500 costs 100. Support plans and fees on other parts. Needs J5.
 */
import { type Figure, greatest, rate } from '../trace';
import { chargeGraduated } from './graduated';
import type { Charge, ChargeContext } from './structure';

export type ShareOfSpendCharge = Extract<Charge, { structure: 'share-of-spend' }>;

/** `base` is money in the book's currency. */
export function chargeShareOfSpend(charge: ShareOfSpendCharge, base: Figure, context: ChargeContext): Figure {
  const tiers = charge.tiers.map((tier) => ({ upTo: tier.upTo, price: tier.share }));
  const shares = chargeGraduated(tiers, base, { ...context, unit: context.currency });
  if (!charge.floor) return shares;
  const floor = rate('At least', charge.floor, context.currency, context.source);
  const note = shares.value.lessThan(charge.floor) ? 'the least applies' : undefined;
  return greatest('Share of spend', context.currency, [shares, floor], note);
}
