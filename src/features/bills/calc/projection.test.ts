import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addAll, decimal } from '@/engine/base';
import { type DayCost, projectClose } from './projection';

const DAY = 86_400_000;
const dayOf = (at: number): string => new Date(Date.UTC(2026, 10, 1) + at * DAY).toISOString().slice(0, 10);
const november = { from: dayOf(0), to: dayOf(30) };
const days = (count: number, cost: (at: number) => string, first = 0): DayCost[] =>
  Array.from({ length: count }, (_, at) => ({ day: dayOf(first + at), cost: cost(first + at) }));

describe('where a period closes', () => {
  it('is exact for a regular month, from its first day on, without a range', () => {
    for (const known of [1, 2, 10, 30]) {
      const told = projectClose({ ...november, days: days(known, () => '10'), fees: [], completeness: [] })!;
      expect([told.low, told.likely, told.high]).toEqual(['300', '300', '300']);
      expect(told.billed).toBe(String(10 * known));
      expect(told.days.filter(({ isAhead }) => isAhead)).toHaveLength(30 - known);
      expect(told.days.at(-1)!.soFar).toBe('300');
    }
  });

  it('is exact for weekdays that differ, once two weeks are known', () => {
    // 1 November 2026 is a Sunday: five Sundays, five Mondays, four of the others.
    const cost = (at: number): string => ([0, 6].includes(((at % 7) + 7) % 7) ? '30' : '10');
    const all = addAll(days(30, cost).map((each) => decimal(each.cost)));
    const told = projectClose({ ...november, days: days(14, cost), fees: [], completeness: [] })!;
    expect(decimal(told.likely).minus(all).abs().lessThan('1e-9')).toBe(true);
    expect(decimal(told.high).minus(told.low).abs().lessThan('1e-9')).toBe(true);
    // Those of the period before count, too.
    const early = projectClose({
      ...november,
      days: [...days(14, cost, -14), ...days(3, cost)],
      fees: [],
      completeness: [],
    })!;
    expect(decimal(early.likely).minus(all).abs().lessThan('1e-9')).toBe(true);
  });

  it('adds fees on their day, also those to come, and no run of them', () => {
    const fees = [
      { day: dayOf(0), cost: '100' },
      { day: dayOf(20), cost: '50' },
      { day: dayOf(40), cost: '7' },
    ];
    const told = projectClose({ ...november, days: days(10, () => '1'), fees, completeness: [] })!;
    expect(told.billed).toBe('110');
    expect(told.likely).toBe('180');
    expect(told.days[19]!.soFar).toBe('120');
    expect(told.days[20]!.soFar).toBe('171');
  });

  it('allows for rows that come late', () => {
    // Of the newest day half is there, of the one before four fifths.
    const known = days(10, (at) => (at === 9 ? '5' : at === 8 ? '8' : '10'));
    const told = projectClose({ ...november, days: known, fees: [], completeness: ['0.5', '0.8'] })!;
    expect(told.likely).toBe('300');
    expect(told.billed).toBe('93');
  });

  it('has a range that grows with how far days lie off, and that is gone when the period is over', () => {
    const wide = (by: number, known: number) =>
      projectClose({
        ...november,
        days: days(known, (at) => String(10 + (at % 2 === 0 ? by : -by))),
        fees: [],
        completeness: [],
      })!;
    const width = ({ low, high }: { low: string; high: string }): number => Number(high) - Number(low);
    expect(width(wide(2, 10))).toBeGreaterThan(width(wide(1, 10)) * 1.9);
    expect(width(wide(1, 20))).toBeLessThan(width(wide(1, 10)));
    expect(width(wide(1, 30))).toBe(0);
  });

  it('knows nothing without a day, and takes a period of any length', () => {
    expect(projectClose({ ...november, days: [], fees: [], completeness: [] })).toBeNull();
    const none = { from: dayOf(3), to: dayOf(3), days: days(2, () => '1'), fees: [], completeness: [] };
    expect(projectClose(none)).toBeNull();
    const odd = { from: dayOf(10), to: dayOf(53), days: days(5, () => '2', 10), fees: [], completeness: [] };
    expect(projectClose(odd)!.likely).toBe('86');
  });

  it('of any days lies between its ends, does not hang on their order, and ends where its days end', () => {
    const amount = fc
      .integer({ min: 0, max: 100_000 })
      .map((cents) => decimal(cents).dividedBy(100).toString());
    fc.assert(
      fc.property(
        fc.array(amount, { minLength: 1, maxLength: 45 }),
        fc.integer({ min: -20, max: 0 }),
        (all, first) => {
          const known = all.map((cost, at) => ({ day: dayOf(first + at), cost })).slice(0, 30 - first);
          const asked = { ...november, days: known, fees: [], completeness: ['0.7'] };
          const told = projectClose(asked)!;
          expect(projectClose({ ...asked, days: known.toReversed() })).toEqual(told);
          expect(decimal(told.low).lessThanOrEqualTo(told.likely)).toBe(true);
          expect(decimal(told.likely).lessThanOrEqualTo(told.high)).toBe(true);
          expect(told.days.at(-1)!.soFar).toBe(told.likely);
          expect(told.days).toHaveLength(30);
        },
      ),
    );
  });
});
