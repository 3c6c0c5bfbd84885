import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addAll, decimal, Decimal, must } from '../base';
import { given } from '../trace';
import { chargeFor, firstUnitPrice, rangeBehindAverage, readCharge, type ChargeText } from './';

const context = {
  unit: 'GB',
  currency: 'USD',
  source: { book: 'Small', revision: 1, effective: '2026-11-01', sku: 'X', region: 'severn' },
};
const amountOf = (charge: ChargeText, quantity: Decimal | string | number): Decimal =>
  must(chargeFor(readCharge(charge), { quantity: given('Quantity', new Decimal(quantity), 'GB') }, context))
    .value;
const quantity = fc.integer({ min: 0, max: 300_000 }).map((value) => new Decimal(value).dividedBy(100));
const pair = fc
  .tuple(quantity, quantity)
  .map(([a, b]) => (a.lessThan(b) ? [a, b] : [b, a]) as [Decimal, Decimal]);

const BLOCK: ChargeText = { structure: 'per-block', block: '10', price: '3' };
const VOLUME: ChargeText = {
  structure: 'volume',
  tiers: [
    { upTo: '100', price: '2' },
    { upTo: null, price: '1' },
  ],
};
const STEPPED: ChargeText = {
  structure: 'stepped',
  bands: [
    { upTo: '50', fee: '5' },
    { upTo: '500', fee: '10' },
  ],
  beyond: { block: '500', fee: '10' },
};
const SHARE: ChargeText = {
  structure: 'share-of-spend',
  tiers: [
    { upTo: '1000', share: '0.1' },
    { upTo: null, share: '0.05' },
  ],
  floor: '20',
  base: { over: 'provider', kinds: [] },
};

describe('per started block', () => {
  it.each([
    ['0', '0'],
    ['0.01', '3'],
    ['10', '3'],
    ['10.01', '6'],
  ])('%s cost %s', (units, amount) => {
    expect(amountOf(BLOCK, units).toString()).toBe(amount);
  });

  it('never falls, and pays for less than one block more than is used', () => {
    fc.assert(
      fc.property(pair, ([less, more]) => {
        expect(amountOf(BLOCK, less).lessThanOrEqualTo(amountOf(BLOCK, more))).toBe(true);
        const paid = amountOf(BLOCK, more).dividedBy(3).times(10);
        expect(paid.greaterThanOrEqualTo(more) && paid.minus(more).lessThan(10)).toBe(true);
      }),
    );
  });

  it('does not start a block over the hair that a division leaves', () => {
    const third = new Decimal(10).dividedBy(3);
    expect(amountOf(BLOCK, third.times(3).plus('1e-32')).toString()).toBe('3');
  });
});

describe('volume', () => {
  it('prices everything at the tier that the total reaches', () => {
    fc.assert(
      fc.property(quantity, (units) => {
        const price = units.greaterThan(100) ? 1 : 2;
        expect(amountOf(VOLUME, units).toString()).toBe(units.times(price).toString());
      }),
    );
  });

  it('is not continuous and not monotone: a hair more than 100 costs half', () => {
    expect(amountOf(VOLUME, '100').toString()).toBe('200');
    expect(amountOf(VOLUME, '100.01').toString()).toBe('100.01');
  });
});

describe('stepped fee', () => {
  it.each([
    ['0', '0'],
    ['50', '5'],
    ['50.01', '10'],
    ['500', '10'],
    ['500.01', '20'],
    ['2100', '50'],
  ])('%s cost %s', (size, fee) => {
    expect(amountOf(STEPPED, size).toString()).toBe(fee);
  });

  it('refuses what is larger than any band where nothing is sold beyond', () => {
    const charge = readCharge({ ...STEPPED, beyond: null });
    const refused = chargeFor(charge, { quantity: given('Size', decimal(501), 'GB') }, context);
    expect(refused).toMatchObject({
      ok: false,
      issue: { code: 'size.out-of-range', values: { most: '500 GB' } },
    });
  });

  it('states a range behind an average that holds any sizes of the same total, and is reached', () => {
    const charge = readCharge(STEPPED);
    if (charge.structure !== 'stepped') throw new Error('stepped only');
    const sizes = fc.array(fc.integer({ min: 1, max: 1300 }), { minLength: 2, maxLength: 4 });
    fc.assert(
      fc.property(sizes, (each) => {
        const total = each.reduce((sum, one) => sum + one, 0);
        const fee = addAll(each.map((one) => amountOf(STEPPED, one)));
        const range = rangeBehindAverage(charge, each.length, new Decimal(total).dividedBy(each.length));
        expect(range).not.toBeNull();
        expect(range!.least.lessThanOrEqualTo(fee) && fee.lessThanOrEqualTo(range!.most)).toBe(true);
      }),
      { numRuns: 300 },
    );
    const range = rangeBehindAverage(charge, 4, decimal(555))!;
    expect([range.least, range.most].map(String)).toEqual(['50', '80']);
  });
});

describe('share of spend', () => {
  it('has a floor, falls never, and takes each tier’s share', () => {
    expect(amountOf(SHARE, '100').toString()).toBe('20');
    expect(amountOf(SHARE, '3000').toString()).toBe('200');
    fc.assert(
      fc.property(pair, ([less, more]) => {
        expect(amountOf(SHARE, less).lessThanOrEqualTo(amountOf(SHARE, more))).toBe(true);
      }),
    );
  });
});

describe('the price lists are sorted by', () => {
  it.each([
    [BLOCK, '3'],
    [VOLUME, '2'],
    [STEPPED, '5'],
    [SHARE, undefined],
    [{ structure: 'flat', amount: '7', once: false } as ChargeText, '7'],
  ])('%j has %s', (charge, price) => {
    expect(firstUnitPrice(readCharge(charge))?.toString()).toBe(price);
  });
});
