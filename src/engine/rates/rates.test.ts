import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decimal, Decimal, must } from '../base';
import { evaluate, given } from '../trace';
import { chargeFor, type Charge } from './';

const context = {
  unit: 'GB',
  currency: 'USD',
  source: { book: 'Small', revision: 1, effective: '2026-11-01', sku: 'OUT', region: 'severn' },
};
const tiers = (rows: readonly (readonly [string | null, string])[]): Charge => ({
  structure: 'graduated',
  tiers: rows.map(([upTo, price]) => ({ upTo: upTo === null ? null : decimal(upTo), price: decimal(price) })),
});
const EXAMPLE = tiers([
  ['10', '5'],
  [null, '2'],
]);
const amountOf = (charge: Charge, quantity: Decimal | string): Decimal =>
  must(chargeFor(charge, { quantity: given('Quantity', new Decimal(quantity), 'GB') }, context)).value;

const anyTiers = fc
  .array(fc.tuple(fc.integer({ min: 1, max: 500 }), fc.integer({ min: 0, max: 100 })), {
    minLength: 1,
    maxLength: 6,
  })
  .map((rows) => {
    let end = 0;
    return tiers(
      rows.map(([width, price], index) => [
        index === rows.length - 1 ? null : String((end += width)),
        String(price),
      ]),
    );
  });
const quantity = fc.integer({ min: 0, max: 300_000 }).map((value) => new Decimal(value).dividedBy(100));

/** Graduated, said in another way: for every whole unit, the price of the tier it lies in. */
function unitByUnit(charge: Charge, whole: number): Decimal {
  if (charge.structure !== 'graduated') throw new Error('graduated only');
  let total = new Decimal(0);
  for (let unit = 1; unit <= whole; unit += 1) {
    total = total.plus(
      charge.tiers.find((tier) => tier.upTo === null || tier.upTo.greaterThanOrEqualTo(unit))!.price,
    );
  }
  return total;
}

describe('per unit', () => {
  it('is quantity times price', () => {
    expect(amountOf({ structure: 'per-unit', price: decimal('0.0425') }, '730').toString()).toBe('31.025');
  });
});

describe('graduated', () => {
  it.each([
    ['0', '0'],
    ['10', '50'],
    ['12', '54'],
    ['10.5', '51'],
  ])('%s units cost %s', (units, amount) => {
    expect(amountOf(EXAMPLE, units).toString()).toBe(amount);
  });

  it('equals pricing unit by unit', () => {
    fc.assert(
      fc.property(anyTiers, fc.integer({ min: 0, max: 2000 }), (charge, whole) => {
        expect(amountOf(charge, new Decimal(whole)).toString()).toBe(unitByUnit(charge, whole).toString());
      }),
      { numRuns: 60 },
    );
  });

  it('never falls when more is used', () => {
    fc.assert(
      fc.property(anyTiers, quantity, quantity, (charge, a, b) => {
        const [less, more] = a.lessThan(b) ? [a, b] : [b, a];
        expect(amountOf(charge, less).lessThanOrEqualTo(amountOf(charge, more))).toBe(true);
      }),
    );
  });

  it('is continuous: a hair more costs a hair more, also at the ends of tiers', () => {
    const hair = new Decimal('1e-9');
    fc.assert(
      fc.property(anyTiers, fc.integer({ min: 0, max: 3000 }), (charge, whole) => {
        const step = amountOf(charge, new Decimal(whole).plus(hair)).minus(
          amountOf(charge, new Decimal(whole)),
        );
        expect(step.greaterThanOrEqualTo(0) && step.lessThanOrEqualTo(hair.times(100))).toBe(true);
      }),
    );
  });

  it('writes a trace that gives the same value when worked out again', () => {
    fc.assert(
      fc.property(anyTiers, quantity, (charge, units) => {
        const figure = must(chargeFor(charge, { quantity: given('Quantity', units, 'GB') }, context));
        expect(evaluate(figure).equals(figure.value)).toBe(true);
      }),
    );
  });
});
