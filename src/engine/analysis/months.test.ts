import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { agreementOf, componentOf } from '@tests/support/designs';
import { anyWideDesign, tied, WIDE_BOOKS } from '@tests/support/wide-designs';
import { addAll, decimal, type Decimal } from '../base';
import type { Component, Design } from '../design';
import { designOfMonth, planOf, priceDesign } from '../pricing';
import { evaluate } from '../trace';
import { priceMonths } from './';

const component = (
  kind: Component['kind'],
  sku: string,
  more: Partial<Component> & { use?: Record<string, [string, string]> } = {},
): Component => {
  const { use = {}, ...rest } = more;
  return componentOf({
    id: sku.toLowerCase(),
    kind,
    place: { book: 'wide', region: 'severn' },
    choice: { by: 'sku', sku },
    usage: Object.fromEntries(
      Object.entries(use).map(([meter, [amount, unit]]) => [meter, { amount: { likely: amount }, unit }]),
    ),
    ...rest,
  });
};
const designOf = (
  components: readonly Component[],
  assumptions: Partial<Design['assumptions']> = {},
): Design => ({
  title: '',
  description: '',
  currency: 'USD',
  assumptions: { month: { hours: '730' }, countAllowances: true, exchange: [], ...assumptions },
  books: [{ book: 'wide', revision: 1 }],
  sections: [{ id: 's', name: 'S', components }],
});
const text = (rows: readonly { monthly: Decimal }[]) =>
  rows.map((row) => row.monthly.toDecimalPlaces(10).toString());
const cash = (rows: readonly { cash: Decimal }[]) =>
  rows.map((row) => row.cash.toDecimalPlaces(10).toString());

describe('months', () => {
  it('are all alike where nothing changes', () => {
    const series = priceMonths(planOf(designOf([component('server', 'S-4')]), WIDE_BOOKS));
    expect(series.rows).toHaveLength(36);
    expect(new Set(text(series.rows))).toEqual(new Set(['73']));
    expect(series.firstYear.monthly.toString()).toBe('876');
    expect(text(series.years)).toEqual(['876', '876', '876']);
    expect(series.quarters).toHaveLength(12);
  });

  it('put an upfront payment into its month, and again when the term is renewed', () => {
    const series = priceMonths(
      planOf(designOf([component('server', 'S-4', { term: '12-part' })]), WIDE_BOOKS),
    );
    expect(text(series.rows.slice(0, 2))).toEqual(['40.15', '40.15']);
    expect(
      cash(series.rows)
        .map((each, at) => [at + 1, each])
        .filter(([, each]) => each !== '21.9'),
    ).toEqual([
      [1, '240.9'],
      [13, '240.9'],
      [25, '240.9'],
    ]);
    expect(series.whole.cash.toString()).toBe(series.whole.monthly.toString());
  });

  it('count a component from its first to its last month, its one-time fee in its first', () => {
    const line = component('dedicated-line', 'LINE', {
      use: { transferred: ['0', 'GB'] },
      months: { from: 3, to: 4 },
    });
    expect(cash(priceMonths(planOf(designOf([line]), WIDE_BOOKS), 'likely', 5).rows)).toEqual([
      '0',
      '0',
      '719',
      '219',
      '0',
    ]);
  });

  it('grow traffic and stock each by its own', () => {
    const parts = [
      component('content-delivery', 'EDGE', { use: { transferred: ['100', 'GB'] } }),
      component('block-volume', 'VOL', { use: { capacity: ['100', 'GiB'] } }),
    ];
    const growth = { traffic: { likely: '0.1' }, stock: { likely: '0.5' } };
    const { rows } = priceMonths(planOf(designOf(parts, { growth }), WIDE_BOOKS), 'likely', 3);
    expect(text(rows)).toEqual(['16', '20.8', '27.68']);
  });

  it('multiply traffic by season and campaign, from the calendar month on', () => {
    const season = ['1', '1', '1', '1', '1', '3', '6', '1', '1', '1', '1', '1'];
    const assumptions = { season, start: '2027-05', campaigns: [{ month: 1, times: '2' }] };
    const edge = component('content-delivery', 'EDGE', { use: { transferred: ['100', 'GB'] } });
    const series = priceMonths(planOf(designOf([edge], assumptions), WIDE_BOOKS), 'likely', 4);
    expect(series.rows.map((row) => row.calendar)).toEqual(['2027-05', '2027-06', '2027-07', '2027-08']);
    expect(text(series.rows)).toEqual(['16', '24', '48', '8']);
  });

  it('follow a load through the year', () => {
    const out = component('transfer-out', 'OUT', {
      load: {
        rate: { by: 'requests', perSecond: { likely: '1' } },
        replySize: { amount: { likely: '1000' }, unit: 'kB' },
      },
    });
    const growth = { traffic: { likely: '1' }, stock: { likely: '0' } };
    const design = designOf([out], { growth });
    // 2 628 GB − 100 at 0.09; then 5 256 − 100.
    expect(text(priceMonths(planOf(design, WIDE_BOOKS), 'likely', 2).rows)).toEqual(['227.52', '464.04']);
    const later = priceDesign(designOfMonth(design, 1, 'likely'), WIDE_BOOKS, 'likely');
    expect(evaluate(later.monthly).equals(later.monthly.value)).toBe(true);
  });

  it('let an allowance end', () => {
    const out = component('transfer-out', 'OUT', { use: { transferred: ['100', 'GB'] } });
    expect(text(priceMonths(planOf(designOf([out]), WIDE_BOOKS), 'likely', 14).rows).slice(11)).toEqual([
      '0',
      '9',
      '9',
    ]);
  });

  it('change the amount of a credit from a later month on', () => {
    const credit = component('prepaid-credit', 'CREDIT', {
      term: '12-none',
      use: { credit: ['1000', 'money'] },
      later: [
        { fromMonth: 3, amount: '3000' },
        { fromMonth: 2, amount: '2000' },
      ],
    });
    expect(text(priceMonths(planOf(designOf([credit]), WIDE_BOOKS), 'likely', 4).rows)).toEqual([
      '950',
      '1800',
      '2700',
      '2700',
    ]);
  });

  it('take each calendar month as long as it is', () => {
    const month = { hours: 'calendar' as const, year: 2027, month: 1 };
    const { rows } = priceMonths(
      planOf(designOf([component('server', 'S-4')], { month }), WIDE_BOOKS),
      'likely',
      14,
    );
    expect(text(rows).slice(0, 3)).toEqual(['74.4', '67.2', '74.4']);
    expect(text(rows)[13]).toBe('69.6');
  });

  it('apply an agreement between its dates', () => {
    const design: Design = {
      ...designOf([component('server', 'S-4')], { start: '2027-01' }),
      agreements: [
        agreementOf({ from: '2027-02-01', to: '2027-03-31', discount: { by: 'share', share: '0.5' } }),
      ],
    };
    expect(text(priceMonths(planOf(design, WIDE_BOOKS), 'likely', 4).rows)).toEqual([
      '73',
      '36.5',
      '36.5',
      '73',
    ]);
  });

  it('add up: rows to quarters to years to the whole, in money and in cash', () => {
    const share = fc.constantFrom('0', '0.02');
    fc.assert(
      fc.property(anyWideDesign, share, fc.boolean(), (plain, stock, tie) => {
        const growth = { traffic: { likely: '0' }, stock: { likely: stock } };
        const grown = { ...plain, assumptions: { ...plain.assumptions, growth } };
        const design = tie ? tied(grown, 'spend-commitment', '1.5') : grown;
        const series = priceMonths(planOf(design, WIDE_BOOKS), 'likely', 13);
        const near = (a: Decimal, b: Decimal) => a.minus(b).abs().lessThan('1e-18');
        for (const read of ['monthly', 'cash'] as const) {
          const sums = [series.rows, series.quarters, series.years].map((rows) =>
            addAll(rows.map((row) => row[read])),
          );
          for (const sum of sums) expect(near(sum, series.whole[read])).toBe(true);
          for (const row of series.rows) {
            expect(near(addAll([...row.components.values()].map((each) => each[read])), row[read])).toBe(
              true,
            );
          }
        }
      }),
      { numRuns: 15 },
    );
  });

  it('are the same money in both views over whole terms', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('12-none', '12-part', 'on-demand'),
        fc.integer({ min: 0, max: 9 }),
        (term, count) => {
          const server = component('server', 'S-4', {
            term: term as Component['term'],
            count: { likely: String(count) },
          });
          const { whole } = priceMonths(planOf(designOf([server]), WIDE_BOOKS), 'likely', 24);
          expect(whole.cash.minus(whole.monthly).abs().lessThan(decimal('0.0000000000000001'))).toBe(true);
        },
      ),
    );
  });
});
