/**
 * Charge structures: how a billed quantity becomes money. One file per structure, read here by one exhaustive
 * switch. Source: pricing rules, "Charge structures".
 */
import { assertNever, type Decimal, err, issue, ok, ONE, type Result } from '../base';
import { type Figure, given } from '../trace';
import { chargeByParts } from './by-parts';
import { chargeFlat } from './flat';
import { chargeGraduated } from './graduated';
import { chargeGreatestOf } from './greatest-of';
import { chargePerBlock } from './per-block';
import { chargePerUnit } from './per-unit';
import { chargeShareOfSpend } from './share-of-spend';
import { chargeStepped } from './stepped';
import type { Charge, ChargeContext, ChargeUse } from './structure';
import { chargeVolume } from './volume';

/**
 * The amount, in the book's currency, for a use already in the rate's unit. For `flat` the quantity is
 * the number of units, for `greatest-of` unit-hours, for `share-of-spend` the spend itself. Refused:
 * `size.out-of-range` (no band is so large), `size.missing` (a free size without its parts).
 *
 * @example
 * must(chargeFor(readCharge({ structure: 'per-unit', price: '0.1' }), { quantity: given('hours', decimal('730'), 'hour') }, { currency: 'USD', unit: 'hour' })).value.toString(); // => '73'
 */
export function chargeFor(charge: Charge, use: ChargeUse, context: ChargeContext): Result<Figure> {
  const { quantity } = use;
  switch (charge.structure) {
    case 'per-unit':
      return ok(chargePerUnit(charge.price, quantity, context));
    case 'per-block':
      return ok(chargePerBlock(charge, quantity, context));
    case 'graduated':
      return ok(chargeGraduated(charge.tiers, quantity, context));
    case 'volume':
      return ok(chargeVolume(charge.tiers, quantity, context));
    case 'stepped': {
      const one = [{ size: quantity, count: given('Instances', ONE, 'each') }];
      const fees = chargeStepped(charge, use.sizes ?? one, context);
      return fees ? ok(fees) : err(issue('size.out-of-range', [], largestOf(charge, context.unit)));
    }
    case 'greatest-of':
      return ok(chargeGreatestOf(charge, quantity, use.beside ?? null, context));
    case 'by-parts':
      return use.parts
        ? ok(chargeByParts(charge, quantity, use.parts, context))
        : err(issue('size.missing', ['size']));
    case 'share-of-spend':
      return ok(chargeShareOfSpend(charge, quantity, context));
    case 'flat':
      return ok(chargeFlat(charge.amount, charge.once, quantity, context));
    default:
      return assertNever(charge);
  }
}

function largestOf(charge: Extract<Charge, { structure: 'stepped' }>, unit: string): Record<string, string> {
  return { most: `${charge.bands[charge.bands.length - 1]!.upTo} ${unit}` };
}

/**
 * The first price that is not nothing: a free first tier says little about what a thing costs.
 *
 * @example
 * firstChargedPrice(readCharge({ structure: 'graduated', tiers: [{ upTo: '100', price: '0' }, { upTo: null, price: '0.5' }] }))?.toString(); // => '0.5'
 */
export function firstChargedPrice(charge: Charge): Decimal | null {
  const first = firstUnitPrice(charge);
  if (!first?.isZero()) return first;
  switch (charge.structure) {
    case 'graduated':
    case 'volume':
      return charge.tiers.find((tier) => !tier.price.isZero())?.price ?? first;
    case 'stepped':
      return charge.bands.find((band) => !band.fee.isZero())?.fee ?? first;
    default:
      return first;
  }
}

/**
 * The price of the first unit, where the structure has one: what lists are sorted by.
 *
 * @example
 * firstUnitPrice(readCharge({ structure: 'per-unit', price: '0.1' }))?.toString(); // => '0.1'
 */
export function firstUnitPrice(charge: Charge): Decimal | null {
  switch (charge.structure) {
    case 'per-unit':
    case 'per-block':
      return charge.price;
    case 'graduated':
    case 'volume':
      return charge.tiers[0]!.price;
    case 'stepped':
      return charge.bands[0]!.fee;
    case 'greatest-of':
      return charge.unitPrice;
    case 'flat':
      return charge.amount;
    case 'by-parts':
    case 'share-of-spend':
      return null;
    default:
      return assertNever(charge);
  }
}
