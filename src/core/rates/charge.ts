/**
 * Charge structures: how a billed quantity becomes money. One file per structure, read here by one exhaustive
 * switch. Source: pricing rules, "Charge structures".
 */
import { assertNever, type Decimal } from '../base';
import type { Figure } from '../trace';
import { chargeGraduated } from './graduated';
import { chargePerUnit } from './per-unit';
import type { Charge, ChargeContext } from './structure';

/** The amount, in the book's currency, for a quantity already in the rate's unit. */
export function chargeFor(charge: Charge, quantity: Figure, context: ChargeContext): Figure {
  switch (charge.structure) {
    case 'per-unit':
      return chargePerUnit(charge.price, quantity, context);
    case 'graduated':
      return chargeGraduated(charge.tiers, quantity, context);
    default:
      return assertNever(charge);
  }
}

/** The price of the first unit: what lists are sorted by. */
export function firstUnitPrice(charge: Charge): Decimal {
  switch (charge.structure) {
    case 'per-unit':
      return charge.price;
    case 'graduated':
      return charge.tiers[0]!.price;
    default:
      return assertNever(charge);
  }
}
