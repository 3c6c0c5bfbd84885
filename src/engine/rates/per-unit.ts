/** Per unit: quantity × price. */
import type { Decimal } from '../base';
import { type Figure, product } from '../trace';
import { priceLeaf } from './price-leaf';
import type { ChargeContext } from './structure';

export function chargePerUnit(price: Decimal, quantity: Figure, context: ChargeContext): Figure {
  const { currency, unit } = context;
  const perUnit = priceLeaf(`Price per ${unit}`, price, `${currency} per ${unit}`, context);
  return product(`At ${price} per ${unit}`, currency, [quantity, perUnit]);
}
