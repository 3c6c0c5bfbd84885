/**
 * Graduated tiers: each tier's units at that tier's price. With tiers "first 10 at 5, then 2", 12 units cost
 * 10 × 5 + 2 × 2 = 54. The amount is continuous in the quantity; a tier's end belongs to that tier.
 */
import type { Decimal } from '../base';
import { ZERO } from '../base';
import { difference, type Figure, given, greatest, least, product, sum, withLive } from '../trace';
import { priceLeaf } from './price-leaf';
import type { ChargeContext, Tier } from './structure';

export function chargeGraduated(tiers: readonly Tier[], quantity: Figure, context: ChargeContext): Figure {
  const { currency, unit } = context;
  const slices: Figure[] = [];
  let from: Decimal = ZERO;
  for (const [index, tier] of tiers.entries()) {
    const reached = quantity.value.greaterThan(from);
    if (!reached && index > 0) break;
    const price = priceLeaf(`Tier ${index + 1} price`, tier.price, `${currency} per ${unit}`, context);
    slices.push(
      product(tierLabel(from, tier, unit), currency, [unitsInTier(quantity, from, tier, unit), price]),
    );
    if (tier.upTo === null) break;
    from = tier.upTo;
  }
  return withLive(sum('Graduated tiers', currency, slices), () => allTiers(tiers, quantity, context));
}

/** Every tier with what lies in it, which may be nothing: holds for any quantity. */
function allTiers(tiers: readonly Tier[], quantity: Figure, context: ChargeContext): Figure {
  const { currency, unit } = context;
  const slices = tiers.map((tier, index) => {
    const from = index > 0 ? tiers[index - 1]!.upTo! : ZERO;
    const units = greatest('Never below', unit, [
      unitsInTier(quantity, from, tier, unit),
      given('Nothing', ZERO, unit),
    ]);
    const price = priceLeaf(`Tier ${index + 1} price`, tier.price, `${currency} per ${unit}`, context);
    return product(tierLabel(from, tier, unit), currency, [units, price]);
  });
  return sum('Graduated tiers', currency, slices);
}

function unitsInTier(quantity: Figure, from: Decimal, tier: Tier, unit: string): Figure {
  const reached =
    tier.upTo === null
      ? quantity
      : least(`Up to ${tier.upTo}`, unit, [quantity, given('Tier ends at', tier.upTo, unit)]);
  return from.isZero()
    ? reached
    : difference('In this tier', unit, [reached, given('Tier begins at', from, unit)]);
}

function tierLabel(from: Decimal, tier: Tier, unit: string): string {
  if (tier.upTo === null) return from.isZero() ? `All ${unit}` : `Above ${from} ${unit}`;
  return from.isZero() ? `First ${tier.upTo} ${unit}` : `From ${from} to ${tier.upTo} ${unit}`;
}
