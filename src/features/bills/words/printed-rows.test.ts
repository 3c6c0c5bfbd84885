/** Printed rows of bills add up to what is printed below them, whatever comes. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addAll, decimal } from '@/engine/base';
import type { ThingGroup } from '@/features/bills/calc';
import { halfAwayFromZero, minorDigits } from '@/engine/money';
import { printedGroups, printedRates, yearRows } from './';

const money = fc
  .tuple(fc.integer({ min: -2_000_000, max: 9_000_000 }), fc.integer({ min: 0, max: 99_999 }))
  .map(([whole, rest]) => decimal(whole).plus(decimal(rest).dividedBy(100_000)).toString());
const currency = fc.constantFrom('USD', 'EUR', 'JPY', 'KWD');
const sumOf = (texts: readonly (string | null)[]) => addAll(texts.map((each) => decimal(each ?? '0')));

describe('groups of a bill', () => {
  const group = fc.record({
    ...{ name: fc.string({ maxLength: 5 }), rows: fc.nat() },
    ...{ list: money, contracted: money, billed: money, effective: money },
  });
  it('are printed so that each column is the printed bill, each row off by less than a cent', () => {
    fc.assert(
      fc.property(fc.array(group, { minLength: 1, maxLength: 20 }), currency, (groups, of) => {
        const printed = printedGroups(groups as ThingGroup[], of);
        const digits = minorDigits(of);
        for (const key of ['list', 'contracted', 'billed', 'effective'] as const) {
          const exact = sumOf(groups.map((each) => each[key]));
          expect(sumOf(printed.map((each) => each[key])).equals(halfAwayFromZero(exact, digits))).toBe(true);
          printed.forEach((each, at) => {
            const off = decimal(each[key]).minus(groups[at]![key]).abs();
            expect(off.lessThan(decimal(10).pow(-digits))).toBe(true);
          });
        }
        expect(printed.map(({ name, rows }) => [name, rows])).toEqual(
          groups.map(({ name, rows }) => [name, rows]),
        );
      }),
    );
  });
});

describe('rates of a bill beside a book', () => {
  it('add up to the difference that is told, each off by less than a cent; what has none says nothing', () => {
    fc.assert(
      fc.property(fc.array(fc.option(money), { maxLength: 20 }), currency, (all, of) => {
        const printed = printedRates(
          all.map((difference) => ({ difference })),
          of,
        );
        const digits = minorDigits(of);
        expect(sumOf(printed.map(({ difference }) => difference)).toString()).toBe(
          halfAwayFromZero(sumOf(all), digits).toString(),
        );
        printed.forEach(({ difference }, at) => {
          expect(difference === null).toBe(all[at] === null);
          const off = decimal(difference ?? '0')
            .minus(all[at] ?? '0')
            .abs();
          expect(off.lessThan(decimal(10).pow(-digits))).toBe(true);
        });
      }),
    );
  });
});

describe('a year of bills', () => {
  const table = fc.integer({ min: 1, max: 12 }).chain((periods) =>
    fc.array(fc.array(fc.option(money), { minLength: periods, maxLength: periods }), {
      minLength: 1,
      maxLength: 8,
    }),
  );
  it('adds up across and down, in what is printed', () => {
    fc.assert(
      fc.property(table, currency, (rows, of) => {
        const periods = rows[0]!.length;
        const totals = Array.from({ length: periods }, (_, at) =>
          sumOf(rows.map((row) => row[at] ?? null)).toString(),
        );
        const printed = yearRows(
          rows.map((amounts, at) => ({ name: String(at), amounts })),
          totals,
          of,
        );
        for (const { amounts, sum } of printed) expect(sumOf(amounts).equals(sum)).toBe(true);
        totals.forEach((total, at) => {
          const column = sumOf(printed.map(({ amounts }) => amounts[at] ?? null));
          const hasAny = rows.some((row) => row[at] !== null);
          if (hasAny) expect(column.equals(halfAwayFromZero(decimal(total), minorDigits(of)))).toBe(true);
        });
        printed.forEach(({ amounts }, row) =>
          amounts.forEach((amount, at) => expect(amount === null).toBe(rows[row]![at] === null)),
        );
      }),
    );
  });
});
