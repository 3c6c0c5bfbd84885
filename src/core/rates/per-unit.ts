/** Per unit: quantity × price. */
import type { Decimal } from '../base';
import { type Figure, product, rate } from '../trace';
import type { ChargeContext } from './structure';

export function chargePerUnit(price: Decimal, quantity: Figure, context: ChargeContext): Figure {
  const { currency, unit, source } = context;
  const perUnit = rate(`Price per ${unit}`, price, `${currency} per ${unit}`, source);
  return product(`At ${price} per ${unit}`, currency, [quantity, perUnit]);
}
