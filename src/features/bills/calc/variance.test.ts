import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addAll, decimal } from '@/engine/base';
import { type Charged, type Variance, type VarianceCell, varianceOf } from './variance';

const charged = (cost: string, quantity: string | null, unit: string | null = 'GB'): Charged => ({
  ...{ cost, quantity, unit },
});
const cell = (expected: Charged | null, billed: Charged | null, corrections = '0'): VarianceCell => ({
  expected,
  billed,
  corrections,
});

const PARTS = ['price', 'quantity', 'mix', 'new', 'gone', 'corrections'] as const;
const sumOf = (variance: Variance): string => addAll(PARTS.map((part) => decimal(variance[part]))).toString();

describe('variance, worked by hand', () => {
  it('of one meter is price and quantity', () => {
    // 100 GB at 0.10 expected, 663 GB at 0.09 billed: 563 × 0.10, and 663 × −0.01.
    expect(varianceOf([cell(charged('10', '100'), charged('59.67', '663'))])).toEqual({
      ...{ price: '-6.63', quantity: '56.3', mix: '0', new: '0', gone: '0', corrections: '0' },
      difference: '49.67',
    });
  });

  it('of two sizes in the same unit has a mix: more of the dear one, at the same quantity', () => {
    // 10 hours at 1.00 and 10 at 3.00 become 5 and 15: nothing more of it, and 10.00 more.
    const cells = [
      cell(charged('10', '10', 'hour'), charged('5', '5', 'hour')),
      cell(charged('30', '10', 'hour'), charged('45', '15', 'hour')),
    ];
    expect(varianceOf(cells)).toMatchObject({ price: '0', quantity: '0', mix: '10', difference: '10' });
  });

  it('keeps what is new, gone and put right apart', () => {
    const cells = [
      cell(null, charged('7', '3')),
      cell(charged('4', '2'), null),
      cell(charged('1', '1'), charged('1', '1'), '-0.5'),
    ];
    expect(varianceOf(cells)).toEqual({
      ...{ price: '0', quantity: '0', mix: '0', new: '7', gone: '-4', corrections: '-0.5' },
      difference: '2.5',
    });
  });

  it('of fees, other units and nothing expected is price: there is no quantity to hold against', () => {
    for (const [expected, billed] of [
      [charged('20', null), charged('25', null)],
      [charged('20', '2', 'GB'), charged('25', '3', 'request')],
      [charged('20', '0'), charged('25', '9')],
    ] as const)
      expect(varianceOf([cell(expected, billed)])).toMatchObject({ price: '5', quantity: '0', mix: '0' });
  });
});

const money = fc.integer({ min: 0, max: 1_000_000 }).map((cents) => decimal(cents).dividedBy(100).toString());
const quantity = fc.option(fc.integer({ min: 0, max: 100_000 }).map(String), { nil: null });
const anyCharged = fc.record({ cost: money, quantity, unit: fc.constantFrom('GB', 'hour', null) });
const anyCell = fc.record({
  expected: fc.option(anyCharged, { nil: null }),
  billed: fc.option(anyCharged, { nil: null }),
  corrections: fc.integer({ min: -5000, max: 5000 }).map((cents) => decimal(cents).dividedBy(100).toString()),
});

describe('variance of any bill', () => {
  it('adds up exactly, on every level, in any order', () => {
    fc.assert(
      fc.property(fc.array(anyCell, { maxLength: 12 }), fc.nat(12), (cells, cut) => {
        const whole = varianceOf(cells);
        const costs = addAll(
          cells.flatMap(({ expected, billed, corrections }) => [
            decimal(billed?.cost ?? '0'),
            decimal(expected?.cost ?? '0').negated(),
            decimal(corrections),
          ]),
        ).toString();
        expect(whole.difference).toBe(costs);
        expect(sumOf(whole)).toBe(whole.difference);
        expect(varianceOf(cells.toReversed())).toEqual(whole);
        // Two levels below: their differences are the one above.
        const parts = [varianceOf(cells.slice(0, cut)), varianceOf(cells.slice(cut))];
        expect(addAll(parts.map(({ difference }) => decimal(difference))).toString()).toBe(whole.difference);
        for (const part of ['price', 'new', 'gone', 'corrections'] as const)
          expect(addAll(parts.map((each) => decimal(each[part]))).toString()).toBe(whole[part]);
      }),
    );
  });

  it('of the same bill is nothing, and of so many times as much of everything only quantity', () => {
    const sold = fc.record({
      cost: money,
      quantity: fc.integer({ min: 1, max: 9999 }).map(String),
      unit: fc.constantFrom('GB', 'hour'),
    });
    fc.assert(
      fc.property(
        fc.array(sold, { minLength: 1, maxLength: 8 }),
        fc.integer({ min: 1, max: 9 }),
        (all, times) => {
          const same = varianceOf(all.map((each) => cell(each, each)));
          expect(PARTS.map((part) => same[part])).toEqual(PARTS.map(() => '0'));
          const more = (text: string): string => decimal(text).times(times).toString();
          const grown = varianceOf(
            all.map((each) => cell(each, { ...each, cost: more(each.cost), quantity: more(each.quantity) })),
          );
          const tiny = decimal('1e-12');
          expect(decimal(grown.mix).abs().lessThan(tiny)).toBe(true);
          expect(decimal(grown.price).abs().lessThan(tiny)).toBe(true);
          expect(decimal(grown.quantity).minus(grown.difference).abs().lessThan(tiny)).toBe(true);
        },
      ),
    );
  });
});
