/** Per started block: ceil(quantity ÷ block) × price. 2 300 at blocks of 1 000 are 3 blocks. Needs K5. */
import type { Decimal } from '../base';
import { ceiling, type Figure, given, product, quotient, rate } from '../trace';
import type { ChargeContext } from './structure';

export function chargePerBlock(
  charge: { readonly block: Decimal; readonly price: Decimal },
  quantity: Figure,
  context: ChargeContext,
): Figure {
  const { currency, unit, source } = context;
  const blocks = quotient('In blocks', 'block', [
    quantity,
    given('One block', charge.block, `${unit} a block`),
  ]);
  const price = rate('Price per started block', charge.price, `${currency} per block`, source);
  return product(`Started blocks of ${charge.block} ${unit}`, currency, [
    ceiling('Started blocks', 'block', blocks),
    price,
  ]);
}
