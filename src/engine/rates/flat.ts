/** Flat: a recurring or one-time amount for each unit, whatever its use. */
import type { Decimal } from '../base';
import { type Figure, product } from '../trace';
import { priceLeaf } from './price-leaf';
import type { ChargeContext } from './structure';

/** `count` is how many units pay it. */
export function chargeFlat(amount: Decimal, once: boolean, count: Figure, context: ChargeContext): Figure {
  const label = once ? 'One-time fee' : 'Monthly fee';
  const fee = priceLeaf(label, amount, `${context.currency} each`, context);
  return product(label, context.currency, [count, fee]);
}
