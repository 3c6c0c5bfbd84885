import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addAll, decimal, Decimal } from '../base';
import { halfAwayFromZero, minorDigits, roundRows } from './';

const amounts = fc.array(
  fc.integer({ min: -1_000_000, max: 1_000_000 }).map((value) => new Decimal(value).dividedBy(7)),
  {
    minLength: 1,
    maxLength: 40,
  },
);

describe('rounding', () => {
  it.each([
    ['2.345', '2.35'],
    ['-2.345', '-2.35'],
    ['2.344999', '2.34'],
    ['0.005', '0.01'],
  ])('%s is printed as %s', (value, printed) => {
    expect(halfAwayFromZero(decimal(value), 2).toString()).toBe(printed);
  });

  it('uses the digits of the currency', () => {
    expect(minorDigits('USD')).toBe(2);
    expect(minorDigits('JPY')).toBe(0);
  });
});

describe('roundRows', () => {
  it('gives the cent that is left over to the largest remainder', () => {
    const rows = roundRows(['0.333', '0.333', '0.334'].map(decimal), 2);
    expect(rows.map(String)).toEqual(['0.33', '0.33', '0.34']);
  });

  it('adds up to the printed total and moves no row by a whole unit', () => {
    fc.assert(
      fc.property(amounts, (rows) => {
        const rounded = roundRows(rows, 2);
        expect(addAll(rounded).toString()).toBe(halfAwayFromZero(addAll(rows), 2).toString());
        rounded.forEach((row, index) => expect(row.minus(rows[index]!).abs().lessThan('0.01')).toBe(true));
      }),
    );
  });
});
