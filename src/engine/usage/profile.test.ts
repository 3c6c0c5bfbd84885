import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyLoad, anyRunning } from '@tests/support/wide-designs';
import { addAll, decimal, Decimal } from '../base';
import { evaluate } from '../trace';
import {
  averageWeek,
  CASES,
  everyWeek,
  lengthenedWeeks,
  levelsOf,
  type Load,
  mapUnits,
  type Profile,
  ranksOfWeeks,
  type Running,
  runningTime,
  sideBySide,
  steadyHour,
  unitHoursOf,
  type Week,
  WEEK_HOURS,
  weeksOfRuns,
  weekUnitHours,
} from './';

const MONTH = decimal(730);
const sure = (likely: string) => ({ likely });
const peaks = (hours: string, baseline: string, peak: string): Running => ({
  pattern: 'peaks',
  baseline: sure(baseline),
  peak: sure(peak),
  days: [0],
  from: 9,
  hours: sure(hours),
});
const day8 = () => '.'.repeat(8) + '#'.repeat(8) + '.'.repeat(8);
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
        for (const week of profile.weeks) expect(week.hours).toHaveLength(WEEK_HOURS);
        const fromProfile = weekUnitHours(profile.weeks).dividedBy(WEEK_HOURS).times(MONTH);
        expect(fromProfile.minus(hours.value).abs().lessThan('1e-25')).toBe(true);
        expect(evaluate(hours).equals(hours.value)).toBe(true);
      }),
      { numRuns: 400 },
    );
  });

  it('are counted by level, lowest first, all hours of them', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 4 }), { minLength: 168, maxLength: 168 }), (heights) => {
        const units = heights.map((each) => new Decimal(each));
        const levels = levelsOf(everyWeek(units.map(steadyHour)));
        expect(addAll(levels.map((level) => level.weekHours)).toString()).toBe('168');
        expect(levels.map((level) => level.units.toNumber())).toEqual([...new Set(heights)].sort());
        const sum = addAll(levels.map((level) => level.units.times(level.weekHours)));
        expect(sum.toString()).toBe(addAll(units).toString());
      }),
    );
  });

  it('are changed once for every hour that is the same', () => {
    const [one, two] = [steadyHour(decimal(1)), steadyHour(decimal(2))];
    let calls = 0;
    const [doubled] = mapUnits(everyWeek([one, one, two, one]), (value) => {
      calls += 1;
      return value.times(2);
    });
    expect([doubled!.hours.map((hour) => String(unitHoursOf(hour))), calls]).toEqual([
      ['2', '2', '4', '2'],
      2,
    ]);
  });

  const average = ({ weeks }: Profile) => averageWeek(weeks);

  it('place office hours in the morning, and a night shift over all of the day', () => {
    const office = average(
      timeOf({ pattern: 'weekdays', hoursPerDay: sure('10'), daysPerWeek: sure('5') }).profile,
    );
    expect([office[7], office[8], office[17], office[18], office[5 * 24 + 9]].map(String)).toEqual([
      '0',
      '1',
      '1',
      '0',
      '0',
    ]);
    const long = average(
      timeOf({ pattern: 'weekdays', hoursPerDay: sure('20'), daysPerWeek: sure('7') }).profile,
    );
    expect([long[0], long[19], long[20]].map(String)).toEqual(['1', '1', '0']);
  });

  it('know two and a half days as three in some weeks and two in others, and half an hour as half an hour', () => {
    const { weeks } = timeOf({
      pattern: 'weekdays',
      hoursPerDay: sure('8.5'),
      daysPerWeek: sure('2.5'),
    }).profile;
    expect(weeks.map(({ share }) => share.toString())).toEqual(['0.5', '0.5']);
    const wednesday = 2 * 24 + 9;
    expect(weeks.map(({ hours }) => String(unitHoursOf(hours[wednesday]!)))).toEqual(['1', '0']);
    expect(weeks[0]!.hours[16]!.map(({ length, units }) => `${length}:${units}`)).toEqual(['0.5:1', '0.5:0']);
  });

  it.each<[string, Running, Running]>([
    [
      'hours and days as a drawn week',
      { pattern: 'weekdays', hoursPerDay: sure('8'), daysPerWeek: sure('5') },
      { pattern: 'week', days: Array.from({ length: 7 }, (_, day) => (day < 5 ? day8() : '.'.repeat(24))) },
    ],
    [
      'a drawn week as a peak above nothing',
      { pattern: 'week', days: Array.from({ length: 7 }, (_, day) => (day < 5 ? day8() : '.'.repeat(24))) },
      {
        pattern: 'peaks',
        baseline: sure('0'),
        peak: sure('1'),
        days: [0, 1, 2, 3, 4],
        from: 8,
        hours: sure('8'),
      },
    ],
    [
      'a share asleep as whole hours run',
      { pattern: 'asleep', share: sure('0.6') },
      { pattern: 'hours', hoursPerMonth: sure('292') },
    ],
    [
      'runs of whole hours as hours run',
      { pattern: 'runs', perMonth: sure('73'), minutesEach: sure('240') },
      { pattern: 'hours', hoursPerMonth: sure('292') },
    ],
  ])('are the same, however they are entered: %s', (_, a, b) => {
    const text = (running: Running): string[] =>
      levelsOf(timeOf(running).profile.weeks).map(
        ({ units, weekHours }) => `${units} ${weekHours.toFixed(20)}`,
      );
    expect(text(a)).toEqual(text(b));
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
    const units = average(profile);
    expect([units[6], units[7], units[10]].map(String)).toEqual(['2', '6', '2']);
    expect(profile.short).toBe(true);
    expect(timeOf({ ...running, ceiling: sure('7') }, load).profile.short).toBe(false);
  });

  it.each<[Running, string]>([
    [{ pattern: 'autoscale', floor: sure('1'), ceiling: sure('2'), carries: sure('0') }, 'load.missing'],
    [{ pattern: 'week', days: ['#'] }, 'hours.week-malformed'],
    [{ pattern: 'asleep', share: sure('1.2') }, 'share.out-of-range'],
    [{ pattern: 'runs', perMonth: sure('1000'), minutesEach: sure('60') }, 'hours.exceed-month'],
    [{ pattern: 'weekdays', hoursPerDay: sure('8'), daysPerWeek: sure('8') }, 'days.exceed-month'],
    [peaks('30', '1', '2'), 'hours.day-too-long'],
    [peaks('3', '4', '2'), 'running.order'],
  ])('refuse %j with %s', (running, code) => {
    expect(runningTime(running, MONTH, 'likely', null)).toMatchObject({ ok: false, issue: { code } });
  });
});

describe('runs of a week', () => {
  const weekOf = (text: string): Week[] =>
    everyWeek([...text.padEnd(168, '.')].map((mark) => steadyHour(decimal(mark === '.' ? '0' : mark))));
  const told = (weeks: readonly Week[]) =>
    ranksOfWeeks(weeks).map(({ units, runs }) => [
      units.toString(),
      runs[0]?.map(({ from, hours }) => `${from}+${hours}`) ?? 'always',
    ]);

  it('are told by rank, the end of Sunday joined to Monday', () => {
    expect(told(weekOf('11..2'))).toEqual([
      ['1', ['0+2', '4+1']],
      ['1', ['4+1']],
    ]);
    expect(told(weekOf(`1${'.'.repeat(166)}1`))).toEqual([['1', ['167+2']]]);
    expect(told(weekOf('1'.repeat(168)))).toEqual([['1', 'always']]);
  });

  it('are as long as they are billed, side by side with whatever runs then', () => {
    const longer = lengthenedWeeks(weekOf('1.1'), (hours) => hours.plus('1.5'));
    expect(told(longer)).toEqual([
      ['1', ['0+4.5']],
      ['1', ['2+0.5']],
    ]);
    expect(told(lengthenedWeeks(weekOf(`${'.'.repeat(167)}1`), () => decimal(3)))).toEqual([
      ['1', ['167+3']],
    ]);
    const same = weekOf('1');
    expect(lengthenedWeeks(same, (hours) => hours)).toBe(same);
  });

  it('of which only the number is known keep whole hours and parts of hours apart', () => {
    const weeks = weeksOfRuns(decimal(73), decimal('2.5'), MONTH);
    const hours = weeks.map(({ share, hours: all }) => [share.toString(), unitHoursOf(all[0]!).toString()]);
    expect(hours).toEqual([
      ['0.2', '1'],
      ['0.1', '0.5'],
      ['0.7', '0'],
    ]);
    const crowded = weeksOfRuns(decimal(1460), decimal('0.25'), MONTH);
    expect(crowded.map(({ hours: all }) => unitHoursOf(all[0]!).toString())).toEqual(['0.5']);
  });

  it('meet a load instant by instant', () => {
    const load = everyWeek([
      [
        { length: decimal('0.25'), units: decimal(4) },
        { length: decimal('0.75'), units: decimal(1) },
      ],
      ...Array.from({ length: 167 }, () => steadyHour(decimal(1))),
    ]);
    const runs = everyWeek([
      [
        { length: decimal('0.5'), units: decimal(1) },
        { length: decimal('0.5'), units: decimal(0) },
      ],
      ...Array.from({ length: 167 }, () => steadyHour(decimal(0))),
    ]);
    const rows = sideBySide(load[0]!.hours, runs).filter(({ b }) => !b.isZero());
    expect(rows.map(({ weekHours, a }) => `${weekHours} at ${a}`)).toEqual(['0.25 at 4', '0.25 at 1']);
  });
});
