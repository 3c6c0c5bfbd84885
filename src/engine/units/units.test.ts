import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decimal, must } from '../base';
import { addQuantities, conversionFactor, convertQuantity, readQuantity, UNIT_CODES } from './';

describe('units are types', () => {
  it('converts within a dimension, exactly', () => {
    expect(must(convertQuantity({ amount: decimal('1'), unit: 'GiB' }, 'GB')).amount.toString()).toBe(
      '1.073741824',
    );
    expect(must(convertQuantity({ amount: decimal('2.5'), unit: 'TB' }, 'GB')).amount.toString()).toBe(
      '2500',
    );
    expect(must(convertQuantity({ amount: decimal('3'), unit: 'hour' }, 'second')).amount.toString()).toBe(
      '10800',
    );
  });

  it.each([
    ['GB', 'GB-month'],
    ['hour', 'request'],
    ['GiB-month', 'GiB'],
  ])('%s is not %s, and the error names both', (from, to) => {
    const result = conversionFactor(from, to);
    expect(result).toMatchObject({ ok: false, issue: { code: 'unit.mismatch', values: { from, to } } });
  });

  it('adds only equal units: GB and GiB are not guessed together', () => {
    const mixed = addQuantities({ amount: decimal('1'), unit: 'GB' }, { amount: decimal('1'), unit: 'GiB' });
    expect(mixed).toMatchObject({ ok: false, issue: { code: 'unit.mismatch' } });
  });

  it('comes back to the same amount there and back', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...UNIT_CODES),
        fc.constantFrom(...UNIT_CODES),
        fc.integer({ min: 1, max: 1e6 }),
        (from, to, n) => {
          const there = convertQuantity({ amount: decimal(n), unit: from }, to);
          if (!there.ok) return;
          const back = must(convertQuantity(there.value, from));
          expect(back.amount.minus(n).abs().lessThan('1e-20')).toBe(true);
        },
      ),
    );
  });
});

describe('readQuantity', () => {
  it.each([
    ['500 GiB', 'GiB', '500', 'GiB'],
    ['500gib', 'GB', '500', 'GiB'],
    ['1 200', 'GB', '1200', 'GB'],
    ['2.5 TB', 'GiB', '2.5', 'TB'],
    ['3M', 'request', '3000000', 'request'],
    ['4k', 'request', '4000', 'request'],
    ['12 hours', 'hour', '12', 'hour'],
  ])('reads %s', (text, fallback, amount, unit) => {
    const quantity = must(readQuantity(text, fallback));
    expect([quantity.amount.toString(), quantity.unit]).toEqual([amount, unit]);
  });

  it.each([
    ['-5', 'quantity.negative'],
    ['\u22125 GiB', 'quantity.negative'],
    ['1,5', 'decimal.comma-ambiguous'],
    ['five', 'decimal.not-plain'],
    ['1e9', 'unit.unknown'],
    ['5 furlongs', 'unit.unknown'],
    ['5 hours', 'unit.mismatch'],
    ['9999999999999999999', 'quantity.too-large'],
    ['', 'decimal.not-plain'],
  ])('refuses %j as %s', (text, code) => {
    expect(readQuantity(text, 'GiB')).toMatchObject({ ok: false, issue: { code } });
  });
});
