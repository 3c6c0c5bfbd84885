import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { agreementOf } from '@tests/support/designs';
import { addAll, decimal, Decimal } from '../base';
import { evaluate, given } from '../trace';
import { everyWeek, steadyHour, weekUnitHours } from '../usage';
import {
  type Agreement,
  allocateSpend,
  cappedHours,
  creditUse,
  discountFor,
  earlyEndings,
  endEarly,
  isInForce,
  marginFor,
  sustainedHours,
} from './';

const BANDS = [
  { upTo: decimal('0.25'), multiplier: decimal('1') },
  { upTo: decimal('0.5'), multiplier: decimal('0.8') },
  { upTo: decimal('1'), multiplier: decimal('0.5') },
];
const rank = (units: number, hours: number) => ({
  units: given('Units', decimal(units), 'unit'),
  hours: given('Hours', decimal(hours), 'hour'),
});
const paidHours = (units: number, hours: number): Decimal =>
  sustainedHours([rank(units, hours)], BANDS, decimal(720)).value;

describe('sustained use', () => {
  it.each([
    [180, '180'],
    [360, '324'],
    [720, '504'],
  ])('%i hours pay %s', (hours, paid) => {
    expect(paidHours(1, hours).toString()).toBe(paid);
  });

  it('never falls with hours, never exceeds them, and is the same for each unit', () => {
    const hours = fc.integer({ min: 0, max: 720 });
    fc.assert(
      fc.property(hours, hours, fc.integer({ min: 0, max: 9 }), (a, b, units) => {
        const [less, more] = a < b ? [a, b] : [b, a];
        expect(paidHours(1, less).lessThanOrEqualTo(paidHours(1, more))).toBe(true);
        expect(paidHours(1, more).lessThanOrEqualTo(more)).toBe(true);
        expect(paidHours(units, more).toString()).toBe(paidHours(1, more).times(units).toString());
      }),
    );
  });
});

describe('a monthly cap', () => {
  it('holds for each unit by itself', () => {
    const cap = given('Cap', decimal(500), 'hour');
    expect(cappedHours([rank(2, 720), rank(3, 100)], cap).value.toString()).toBe('1300');
  });
});

describe('a spend commitment', () => {
  const member = (id: string, units: number[], committed: string, onDemand: string) => ({
    id,
    weeks: everyWeek(
      Array.from({ length: 168 }, (_, hour) => steadyHour(decimal(units[hour % units.length]!))),
    ),
    committed: decimal(committed),
    onDemand: decimal(onDemand),
  });

  it('buys what saves most first, hour by hour', () => {
    const { covered, unused } = allocateSpend(decimal('1'), [
      member('dear', [1], '0.9', '1'),
      member('worth', [1, 0], '0.5', '1'),
    ]);
    expect(covered.get('worth')!.toString()).toBe('84');
    // In 84 hours 0.5 is left for a member of 0.9, in the others the whole of it is bought and 0.1 is lost.
    expect(covered.get('dear')!.toDecimalPlaces(10).toString()).toBe('130.6666666667');
    expect(unused.toString()).toBe('8.4');
  });

  it('spends or loses exactly what was committed', () => {
    const price = fc.integer({ min: 1, max: 90 }).map((value) => String(value / 100));
    const members = fc.array(
      fc.tuple(fc.array(fc.integer({ min: 0, max: 5 }), { minLength: 1, maxLength: 7 }), price, price),
      { maxLength: 5 },
    );
    fc.assert(
      fc.property(members, fc.integer({ min: 0, max: 800 }), (rows, cents) => {
        const all = rows.map(([units, a, b], at) =>
          member(`m${at}`, units, Number(a) < Number(b) ? a : b, Number(a) < Number(b) ? b : a),
        );
        const perHour = new Decimal(cents).dividedBy(100);
        const { covered, unused } = allocateSpend(perHour, all);
        const spent = addAll(all.map((each) => covered.get(each.id)!.times(each.committed)));
        expect(spent.plus(unused).minus(perHour.times(168)).abs().lessThan('1e-25')).toBe(true);
        for (const each of all) {
          const wanted = weekUnitHours(each.weeks);
          expect(covered.get(each.id)!.lessThanOrEqualTo(wanted.plus('1e-25'))).toBe(true);
        }
      }),
    );
  });
});

describe('prepaid credit', () => {
  const money = (value: Decimal | string) => given('Money', new Decimal(value), 'USD');

  const all = (credits: readonly (readonly [string, string])[], spend: string, overage = '1'): Decimal => {
    const use = money(spend);
    let left = use;
    let paid = decimal(0);
    let share = decimal(0);
    for (const [credit, cost] of credits) {
      const one = creditUse(money(credit), money(cost), left, use, 'USD');
      left = one.left;
      share = share.plus(one.share.value);
      paid = paid.plus(use.value.times(one.share.value).times(one.price.value));
      paid = paid.plus(decimal(cost).times(one.unused.value));
      for (const figure of [one.share, one.price, one.unused, one.left]) {
        expect(evaluate(figure).equals(figure.value)).toBe(true);
      }
    }
    return paid.plus(use.value.times(decimal(1).minus(share)).times(overage)).toDecimalPlaces(20);
  };

  it.each([
    // credits with their cost, spend, overage, everything together
    [[['1000', '900']], '1000', '1', '900'],
    [[['1000', '900']], '1500', '1', '1400'],
    [[['1000', '900']], '1500', '1.2', '1500'],
    [[['1000', '900']], '400', '1', '900'],
    [[['1000', '900']], '0', '1', '900'],
    [[['0', '0']], '300', '1', '300'],
    // The second takes what the first did not pay, at list.
    [
      [
        ['1000', '900'],
        ['500', '475'],
      ],
      '1700',
      '1',
      '1575',
    ],
    [
      [
        ['1000', '900'],
        ['500', '475'],
      ],
      '1200',
      '1',
      '1375',
    ],
  ] as const)('%j with use of %s and overage %s comes to %s', (credits, spend, overage, expected) => {
    expect(all(credits, spend, overage).toString()).toBe(expected);
  });
});

describe('ending early', () => {
  const run = {
    months: 12,
    recurring: decimal(30),
    upfront: decimal(240),
    onDemand: decimal(80),
    currency: 'USD',
  };

  it('costs at the end of the term what the term costs, by any rule', () => {
    for (const rule of [
      { rule: 'rest-due' as const },
      { rule: 'fee' as const, share: decimal('0.3') },
      { rule: 're-rate' as const },
    ]) {
      expect(endEarly({ ...run, rule }, 12).total.value.toString()).toBe('600');
    }
  });

  it('breaks even in the month from which on it is not dearer than on demand', () => {
    const { rows, breakEven } = earlyEndings({ ...run, rule: { rule: 'rest-due' } });
    expect(rows).toHaveLength(12);
    // 600 whatever the month; on demand 80 a month reaches it in the eighth.
    expect(breakEven).toBe(8);
    expect(earlyEndings({ ...run, onDemand: decimal(10), rule: { rule: 'rest-due' } }).breakEven).toBeNull();
  });
});

describe('agreements', () => {
  const agreement = (
    id: string,
    covers: Partial<Agreement['covers']>,
    more: Partial<Agreement> = {},
  ): Agreement => agreementOf({ id, name: id, ...more, covers });
  const part = {
    book: 'wide',
    category: 'Compute',
    kind: 'server',
    sku: 'S-4',
    meter: 'running',
    term: 'on-demand' as const,
  };
  const all = agreement('all', {});
  const kind = agreement('kind', { kinds: ['server'] });
  const sku = agreement('sku', { skus: ['S-4'] });

  it('let the narrowest decide, whatever the order', () => {
    expect(discountFor([all, sku, kind], part)?.id).toBe('sku');
    expect(discountFor([kind, all], part)?.id).toBe('kind');
    expect(discountFor([kind, all], { ...part, kind: 'cache' })?.id).toBe('all');
    expect(discountFor([agreement('other', { books: ['elsewhere'] })], part)).toBeNull();
  });

  it('fix a price for one meter only, and set margins apart from discounts', () => {
    const fixed = agreement(
      'fixed',
      { skus: ['S-4'] },
      { discount: { by: 'price', meter: 'running', price: '0.05' } },
    );
    const margin = agreement('margin', {}, { discount: null, margin: '0.2' });
    expect(discountFor([fixed, margin, all], part)?.id).toBe('fixed');
    expect(discountFor([fixed, all], { ...part, meter: 'fee' })?.id).toBe('all');
    expect(marginFor([fixed, margin, all], part)?.id).toBe('margin');
  });

  it('hold between their dates, both included', () => {
    const dated = agreement('dated', {}, { from: '2027-01-01', to: '2027-12-31' });
    expect(
      ['2026-12-31', '2027-01-01', '2027-12-31', '2028-01-01'].map((date) => isInForce(dated, date)),
    ).toEqual([false, true, true, false]);
    expect(isInForce(dated, null)).toBe(true);
  });
});
