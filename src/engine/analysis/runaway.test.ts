import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { smallBooks } from '@tests/support/books';
import { componentOf, designOf, serverOf, transferOf, volumeOf } from '@tests/support/designs';
import { anyWideDesign, WIDE_BOOKS } from '@tests/support/wide-designs';
import { addAll, decimal } from '../base';
import { allComponents } from '../design';
import { planOf, priceDesign, underLoad } from '../pricing';
import { runaway } from './';

const BOOKS = smallBooks();

describe('a design under another load', () => {
  it('has more of what follows traffic, tier by tier, and no more of what is held', () => {
    // 100 GB are free, then 10 at 1.00, 90 at 0.50, the rest at 0.10: of 1 000 GB these are 10 + 45 + 80.
    const design = designOf([transferOf('out', { likely: '100' }), volumeOf('disk', { likely: '50' })]);
    const { rows } = runaway(planOf(design, BOOKS), decimal('10'));
    expect(rows.map((row) => [row.id, row.now.toString(), row.then.toString()])).toEqual([
      ['out', '0', '135'],
    ]);
  });

  it('has as many machines as the load needs, and never more than the ceiling', () => {
    const servers = serverOf('web', {
      running: {
        pattern: 'autoscale',
        floor: { likely: '1' },
        ceiling: { likely: '4' },
        carries: { likely: '10' },
      },
      load: { rate: { by: 'requests', perSecond: { likely: '10' } } },
    });
    const at = (times: string): string =>
      runaway(planOf(designOf([servers]), BOOKS), decimal(times))
        .then.dividedBy(73)
        .toString();
    // A-4 is 0.10 an hour, 730 hours a month: 73 for one machine.
    expect([at('1'), at('2'), at('3.5'), at('100')]).toEqual(['1', '2', '4', '4']);
  });

  it('is the design as it stands: nobody begins, ends or is altered by it', () => {
    const design = designOf([
      serverOf('later', { months: { from: 3, to: 8 } }),
      transferOf('out', { likely: '10' }, { later: [{ fromMonth: 2, amount: '99' }] }),
    ]);
    const under = underLoad(design, decimal('2'));
    expect(allComponents(under).map(({ id, months, later }) => [id, months, later])).toEqual([
      ['later', { from: 3, to: 8 }, undefined],
      ['out', undefined, [{ fromMonth: 2, amount: '99' }]],
    ]);
    expect(under.assumptions).toEqual(design.assumptions);
  });

  it('at its own height costs what it costs', () => {
    fc.assert(
      fc.property(anyWideDesign, (design) => {
        const { now, then, rows } = runaway(planOf(design, WIDE_BOOKS), decimal('1'));
        expect(then.toString()).toBe(now.toString());
        expect(rows).toEqual([]);
        expect(now.toString()).toBe(priceDesign(design, WIDE_BOOKS, 'likely').monthly.value.toString());
      }),
      { numRuns: 40 },
    );
  });

  it('is told in rows whose differences add up to the difference of the design', () => {
    fc.assert(
      fc.property(anyWideDesign, fc.integer({ min: 2, max: 500 }), (design, times) => {
        const { now, then, rows } = runaway(planOf(design, WIDE_BOOKS), decimal(times));
        const extra = addAll(rows.map((row) => row.then.minus(row.now)));
        expect(extra.minus(then.minus(now)).abs().toNumber()).toBeLessThan(1e-15);
        for (const [at, row] of rows.entries()) {
          const before = rows[at - 1];
          const worse = before && before.then.minus(before.now).minus(row.then.minus(row.now));
          expect(worse?.isNegative() ?? false).toBe(false);
        }
      }),
      { numRuns: 40 },
    );
  });

  it('leaves out what has no amount, at either height', () => {
    const design = designOf([
      componentOf({ id: 'open', kind: 'server' }),
      transferOf('out', { likely: '1000' }),
    ]);
    expect(runaway(planOf(design, BOOKS), decimal('3')).rows.map((row) => row.id)).toEqual(['out']);
  });
});
