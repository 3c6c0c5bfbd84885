/** The same week, entered in each way, costs the same: whatever its hours meet. */
import { describe, expect, it } from 'vitest';
import { allComponents } from '@/engine/design';
import type { Running } from '@/engine/usage';
import { DESIGNS, mapAll, priceAnew } from './anew';
import { mixed, type Mixed } from './mixed-design';
import { metAtLeast } from '@tests/support/drawn';

describe('the same week', () => {
  const week = (days: number, from: number, to: number): string[] =>
    Array.from({ length: 7 }, (_, day) =>
      day < days ? '.'.repeat(from) + '#'.repeat(to - from) + '.'.repeat(24 - to) : '.'.repeat(24),
    );
  const one = (likely: string) => ({ likely });
  /** Monday to Friday between two hours: so many hours a day, a drawn week, and a peak above none. */
  const weekdays = (from: number, to: number): readonly Running[] => [
    { pattern: 'weekdays', hoursPerDay: one(String(to - from)), daysPerWeek: one('5') },
    { pattern: 'week', days: week(5, from, to) },
    {
      pattern: 'peaks',
      baseline: one('0'),
      peak: one('1'),
      days: [0, 1, 2, 3, 4],
      from,
      hours: one(String(to - from)),
    },
  ];
  const ways: readonly (readonly Running[])[] = [
    weekdays(8, 16),
    weekdays(0, 24),
    [
      { pattern: 'always' },
      { pattern: 'week', days: week(7, 0, 24) },
      { pattern: 'weekdays', hoursPerDay: one('24'), daysPerWeek: one('7') },
      { pattern: 'peaks', baseline: one('1'), peak: one('1'), days: [], from: 0, hours: one('0') },
      { pattern: 'hours', hoursPerMonth: one('730') },
      { pattern: 'asleep', share: one('0') },
    ],
  ];

  it('costs the same, however it is entered', () => {
    let checked = 0;
    for (const seed of DESIGNS) {
      const drawn = mixed(seed);
      const flat: Mixed = {
        ...drawn,
        design: {
          ...drawn.design,
          assumptions: {
            month: { hours: '730' },
            countAllowances: true,
            exchange: [{ from: 'USD', to: 'EUR', rate: '0.92', date: '2026-11-01' }],
          },
        },
      };
      const servers = allComponents(flat.design).filter(
        ({ kind, term }) => kind === 'server' && term !== 'interruptible',
      );
      if (servers.length === 0) continue;
      for (const same of ways) {
        const priced = same.map((running) =>
          priceAnew(flat, (design) =>
            // What is committed is stated: by itself it would follow the pattern.
            mapAll(design, (each) =>
              each.kind === 'server' ? { ...each, running, committed: one('1') } : each,
            ),
          ),
        );
        for (const other of priced.slice(1)) expect(other, `seed ${seed}`).toEqual(priced[0]);
        checked += 1;
      }
    }
    expect(checked).toBeGreaterThan(metAtLeast(200));
  });
});
