/**
 * Volume: all units at the price of the tier the total reaches. With "up to 10 at 5, then 2", 12 units cost 12 × 2.
 * The amount is not continuous: one unit more can cost less in all. A tier's end belongs to that tier. Needs K4.
 */
import { withoutHair, ZERO } from '../base';
import { band, type Figure, given, product, rate, sum, within, withLive } from '../trace';
import type { ChargeContext, Tier } from './structure';

export function chargeVolume(tiers: readonly Tier[], quantity: Figure, context: ChargeContext): Figure {
  const { currency, unit, source } = context;
  const counted = withoutHair(quantity.value);
  const reached = tiers.findIndex((tier) => tier.upTo === null || counted.lessThanOrEqualTo(tier.upTo));
  const index = reached < 0 ? tiers.length - 1 : reached;
  const tier = tiers[index]!;
  const from = given('Tier begins above', index > 0 ? tiers[index - 1]!.upTo! : ZERO, unit);
  const upTo = tier.upTo === null ? null : given('Tier ends at', tier.upTo, unit);
  const price = rate(`Tier ${index + 1} price`, tier.price, `${currency} per ${unit}`, source);
  const chosen = band(
    'Price of the tier reached',
    `${currency} per ${unit}`,
    quantity,
    { from, upTo },
    price,
  );
  const figure = product('All of it at the tier reached', currency, [quantity, chosen]);
  return withLive(figure, () => anyTier(tiers, quantity, context));
}

/** The price is looked for in all tiers: holds for any quantity. */
function anyTier(tiers: readonly Tier[], quantity: Figure, context: ChargeContext): Figure {
  const { currency, unit, source } = context;
  const perUnit = `${currency} per ${unit}`;
  const prices = tiers.map((tier, index) => {
    const from = given('Tier begins above', index > 0 ? tiers[index - 1]!.upTo! : ZERO, unit);
    const last = index === tiers.length - 1;
    const upTo = tier.upTo === null || last ? null : given('Tier ends at', tier.upTo, unit);
    const price = rate(`Tier ${index + 1} price`, tier.price, perUnit, source);
    return within(`If in tier ${index + 1}`, perUnit, quantity, { from, upTo }, price);
  });
  return product('All of it at the tier reached', currency, [
    quantity,
    sum('Price of the tier reached', perUnit, prices),
  ]);
}
