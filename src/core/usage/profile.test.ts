import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyLoad, anyRunning } from '@tests/support/wide-designs';
import { addAll, decimal, Decimal } from '../base';
import { evaluate } from '../trace';
import { CASES, levelsOf, type Load, mapHours, meanOf, type Running, runningTime, WEEK_HOURS } from './index';

const MONTH = decimal(730);
const sure = (likely: string) => ({ likely });
const timeOf = (running: Running, load: Load | null = null) => {
  const time = runningTime(running, MONTH, 'likely', load);
  if (!time.ok) throw new Error(time.issue.code);
  return time.value;
};

describe('the 168 hours behind every pattern', () => {
  it('have a mean that, times the month, is the hours run', () => {
    fc.assert(
      fc.property(anyRunning, anyLoad, fc.constantFrom(...CASES), (running, load, which) => {
        const time = runningTime(running, MONTH, which, load);
        if (!time.ok) return;
        const { hours, profile } = time.value;
        expect(profile.units).toHaveLength(WEEK_HOURS);
        const fromProfile = meanOf(profile.units).times(MONTH);
        // A month of 31 days in a week of seven can run out of days; nothing else loses hours.
        if (running.pattern !== 'days') {
          expect(fromProfile.minus(hours.value).abs().lessThan('1e-25')).toBe(true);
        } else expect(fromProfile.minus(hours.value).lessThan('1e-25')).toBe(true);
        expect(evaluate(hours).equals(hours.value)).toBe(true);
      }),
      { numRuns: 400 },
    );
  });

  it('are counted by level, lowest first, all hours of them', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 4 }), { minLength: 168, maxLength: 168 }), (heights) => {
        const units = heights.map((each) => new Decimal(each));
        const levels = levelsOf(units);
        expect(levels.reduce((hours, level) => hours + level.weekHours, 0)).toBe(168);
        expect(levels.map((level) => level.units.toNumber())).toEqual([...new Set(heights)].sort());
        const sum = addAll(levels.map((level) => level.units.times(level.weekHours)));
        expect(sum.toString()).toBe(addAll(units).toString());
      }),
    );
  });

  it('are changed hour by hour, each value once', () => {
    const one = decimal(1);
    let calls = 0;
    const doubled = mapHours([one, one, decimal(2), one], (value) => {
      calls += 1;
      return value.times(2);
    });
    expect([doubled.map(String), calls]).toEqual([['2', '2', '4', '2'], 2]);
  });

  it('place office hours in the morning, and a night shift over all of the day', () => {
    const office = timeOf({ pattern: 'weekdays', hoursPerDay: sure('10'), daysPerWeek: sure('5') }).profile
      .units;
    expect([office[7], office[8], office[17], office[18], office[5 * 24 + 9]].map(String)).toEqual([
      '0',
      '1',
      '1',
      '0',
      '0',
    ]);
    const long = timeOf({ pattern: 'weekdays', hoursPerDay: sure('20'), daysPerWeek: sure('7') }).profile
      .units;
    expect([long[0], long[19], long[20]].map(String)).toEqual(['1', '1', '0']);
  });

  it('follow a load between floor and ceiling, and say where the ceiling is too low', () => {
    const load: Load = {
      rate: { by: 'requests', perSecond: sure('10') },
      peak: { times: sure('5'), days: [0], from: 7, hours: sure('3') },
    };
    const running: Running = {
      pattern: 'autoscale',
      floor: sure('1'),
      ceiling: sure('6'),
      carries: sure('8'),
    };
    const { profile } = timeOf(running, load);
    expect([profile.units[6], profile.units[7], profile.units[10]].map(String)).toEqual(['2', '6', '2']);
    expect(profile.short).toBe(true);
    expect(timeOf({ ...running, ceiling: sure('7') }, load).profile.short).toBe(false);
  });

  it.each<[Running, string]>([
    [{ pattern: 'autoscale', floor: sure('1'), ceiling: sure('2'), carries: sure('0') }, 'load.missing'],
    [{ pattern: 'week', days: ['#'] }, 'hours.week-malformed'],
    [{ pattern: 'asleep', share: sure('1.2') }, 'share.out-of-range'],
    [{ pattern: 'runs', perMonth: sure('1000'), minutesEach: sure('60') }, 'hours.exceed-month'],
    [{ pattern: 'weekdays', hoursPerDay: sure('8'), daysPerWeek: sure('8') }, 'days.exceed-month'],
  ])('refuse %j with %s', (running, code) => {
    expect(runningTime(running, MONTH, 'likely', null)).toMatchObject({ ok: false, issue: { code } });
  });
});
