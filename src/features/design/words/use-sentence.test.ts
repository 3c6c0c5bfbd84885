import { describe, expect, it } from 'vitest';
import { componentOf } from '@tests/support/designs';
import type { Running } from '@/engine/usage';
import { describeRunning, describeUse, usesRunning } from './use-sentence';

const sure = (likely: string) => ({ likely });
const SHUT = '.'.repeat(24);
const OFFICE = `${'.'.repeat(8)}${'#'.repeat(10)}${'.'.repeat(6)}`;

describe('a running pattern in words', () => {
  it.each<[Running, string]>([
    [{ pattern: 'always' }, 'always'],
    [{ pattern: 'hours', hoursPerMonth: sure('300') }, '300 h'],
    [{ pattern: 'days', hoursPerDay: sure('10'), daysPerMonth: sure('22') }, '10 h × 22 d'],
    [{ pattern: 'weekdays', hoursPerDay: sure('9'), daysPerWeek: sure('5') }, '9 h × 5 d a week'],
    [{ pattern: 'week', days: [OFFICE, OFFICE, SHUT, SHUT, SHUT, SHUT, SHUT] }, 'drawn week, 20 h'],
    [{ pattern: 'asleep', share: sure('0.6') }, 'asleep 0.6 of the month'],
    [{ pattern: 'runs', perMonth: sure('30'), minutesEach: sure('20') }, '30 runs × 20 min'],
    [
      { pattern: 'peaks', baseline: sure('1'), peak: sure('3'), days: [0, 4], from: 7, hours: sure('2') },
      '1 units, 3 at Mon Fri from 7:00 for 2 h',
    ],
    [
      { pattern: 'autoscale', floor: sure('2'), ceiling: sure('6'), carries: sure('50') },
      '2 to 6 units by load',
    ],
  ])('%j is “%s”', (running, words) => {
    expect(describeRunning(running)).toBe(words);
  });
});

describe('the use of a component in words', () => {
  it('says the pattern where it runs, quantities where it holds, charges where it is its own', () => {
    const server = componentOf({ id: 'a', kind: 'server' });
    expect([usesRunning(server), describeUse(server)]).toEqual([true, 'always']);
    const store = componentOf({
      id: 'b',
      kind: 'object-store',
      usage: {
        stored: { amount: sure('5'), unit: 'TB' },
        reads: { amount: sure('3'), unit: 'million requests' },
      },
    });
    expect(describeUse(store)).toBe('Held 5 TB; Read requests 3 million requests');
    const backup = componentOf({
      id: 'c',
      kind: 'backup',
      usage: {
        protected: {
          amount: sure('160'),
          unit: 'GB',
          sizes: [
            { count: '3', amount: '40' },
            { count: '1', amount: '40' },
          ],
        },
      },
    });
    expect(describeUse(backup)).toBe('Protected, by machine 3 of 40, 1 of 40 GB');
    const own = componentOf({
      id: 'd',
      kind: 'custom',
      custom: [
        { label: 'Hours', unit: 'hour', amount: sure('6'), charge: { structure: 'per-unit', price: '45' } },
      ],
    });
    expect(describeUse(own)).toBe('Hours 6 hour');
  });
});
