/**
 * The hours of a week, written down one after the other: for every kind of week, from when to when how many units run.
 * Half a day more is a day more in half of the weeks; half an hour is half an hour. All parts of a design live in the
 * same weeks.
 */
import type { Component } from '@/engine/design';
import type { Case, Cased, Load } from '@/engine/usage';
import { f, type Fraction, least, most, ONE, sum, ZERO } from './fraction';

export const WEEK = f(168);

export interface Step {
  /** Hours since Monday 0:00. */
  readonly from: Fraction;
  readonly to: Fraction;
  readonly units: Fraction;
}

export interface Kind {
  /** How often such a week occurs; all shares make 1. */
  readonly share: Fraction;
  readonly steps: readonly Step[];
}

export interface Pattern {
  readonly kinds: readonly Kind[];
  /** Runs of which only the number and the length are known. */
  readonly loose: { readonly count: Fraction; readonly hours: Fraction } | null;
  /** Nothing but a number of hours is known: not how often it starts. */
  readonly unknown: boolean;
  /** Whether the pattern itself says how many units run. */
  readonly several: boolean;
}

export class Refused extends Error {}

export const read = (value: Cased, which: Case): Fraction => f(value[which] ?? value.likely);

const all = (units: Fraction): Step[] => [{ from: ZERO, to: WEEK, units }];

function often(share: Fraction): Kind[] {
  return [
    { share, steps: all(ONE) },
    { share: ONE.minus(share), steps: all(ZERO) },
  ].filter((kind) => kind.share.above0());
}

/** Runs at hours nobody knows: how often an hour is full, and how often a part of it. */
export function looseRuns(count: Fraction, hours: Fraction, month: Fraction): Kind[] {
  const whole = hours.floor();
  const part = hours.minus(whole);
  const full = count.times(whole).over(month);
  const divided = part.isZero ? ZERO : count.over(month);
  const rest = ONE.minus(full).minus(divided);
  if (rest.compare(ZERO) < 0) {
    const even = count.times(hours).over(month);
    const steps = even.compare(ONE) < 0 ? eachHour(even, ONE) : all(even);
    return [{ share: ONE, steps }];
  }
  return [
    { share: full, steps: all(ONE) },
    { share: divided, steps: eachHour(part, ONE) },
    { share: rest, steps: all(ZERO) },
  ].filter((kind) => kind.share.above0());
}

function eachHour(part: Fraction, units: Fraction): Step[] {
  return Array.from({ length: 168 }, (_, hour) => [
    { from: f(hour), to: f(hour).plus(part), units },
    { from: f(hour).plus(part), to: f(hour + 1), units: ZERO },
  ]).flat();
}

/** `inside` in a window of some days, `outside` else; a window may reach into the next day. */
function windows(
  days: readonly number[],
  from: number,
  hours: Fraction,
  outside: Fraction,
  inside: Fraction,
): Step[] {
  if (hours.compare(f(24)) > 0) throw new Refused('hours.day-too-long');
  const starts = [...new Set(days)].map((day) => day * 24 + from);
  const marks = new Set<string>();
  const edges: Fraction[] = [ZERO, WEEK];
  for (const start of starts) {
    for (const edge of [f(start), f(start).plus(hours)]) {
      edges.push(edge.compare(WEEK) > 0 ? edge.minus(WEEK) : edge);
    }
  }
  const sorted = edges
    .sort((a, b) => a.compare(b))
    .filter((edge) => !marks.has(edge.toText(30)) && marks.add(edge.toText(30)));
  return sorted.slice(0, -1).map((begin, index) => {
    const end = sorted[index + 1]!;
    const within = starts.some((start) =>
      [f(start), f(start).minus(WEEK)].some(
        (at) => begin.compare(at) >= 0 && end.compare(at.plus(hours)) <= 0,
      ),
    );
    return { from: begin, to: end, units: within ? inside : outside };
  });
}

function days(hours: Fraction, count: Fraction): Kind[] {
  const whole = least(f(7), count.floor());
  const rest = whole.compare(f(7)) === 0 ? ZERO : count.minus(whole);
  const from = hours.compare(f(16)) > 0 ? 0 : 8;
  const week = (many: number): Step[] =>
    windows(
      Array.from({ length: many }, (_, day) => day),
      from,
      hours,
      ZERO,
      ONE,
    );
  const fewer = Number(whole.above);
  return [
    { share: rest, steps: rest.isZero ? [] : week(fewer + 1) },
    { share: ONE.minus(rest), steps: week(fewer) },
  ].filter((kind) => kind.share.above0());
}

export function loadHeights(load: Load, which: Case): Step[] {
  const { peak } = load;
  if (!peak) return all(ONE);
  return windows(peak.days, peak.from, read(peak.hours, which), ONE, read(peak.times, which));
}

export function requestsPerSecond(load: Load, which: Case): Fraction {
  const grown = f(load.grown?.factor ?? '1');
  if (load.rate.by === 'requests') return read(load.rate.perSecond, which).times(grown);
  const refresh = read(load.rate.refreshSeconds, which);
  if (!refresh.above0()) throw new Refused('load.incomplete');
  return read(load.rate.viewers, which).over(refresh).times(grown);
}

const placed = (kinds: readonly Kind[], several = false): Pattern => ({
  kinds,
  loose: null,
  unknown: false,
  several,
});

/** How many units of one count run when. */
export function patternOf({ running, load }: Component, which: Case, month: Fraction): Pattern {
  const loose = (count: Fraction, hours: Fraction): Pattern => ({
    kinds: looseRuns(count, hours, month),
    loose: { count, hours },
    unknown: false,
    several: false,
  });
  switch (running.pattern) {
    case 'always':
      return placed([{ share: ONE, steps: all(ONE) }]);
    case 'hours': {
      const hours = read(running.hoursPerMonth, which);
      if (hours.compare(month) > 0) throw new Refused('hours.exceed-month');
      return { kinds: often(hours.over(month)), loose: null, unknown: true, several: false };
    }
    case 'asleep': {
      const share = read(running.share, which);
      if (share.compare(ONE) > 0) throw new Refused('share.out-of-range');
      const awake = month.times(ONE.minus(share));
      const wakes = running.wakeUps ? read(running.wakeUps, which) : ZERO;
      const idle = running.idleMinutes ? read(running.idleMinutes, which) : ZERO;
      if (wakes.isZero)
        return { kinds: often(awake.over(month)), loose: null, unknown: true, several: false };
      const hours = least(month, awake.plus(wakes.times(idle).over(f(60))));
      return loose(wakes, hours.over(wakes));
    }
    case 'runs': {
      const count = read(running.perMonth, which);
      const hours = read(running.minutesEach, which).over(f(60));
      if (count.times(hours).compare(month) > 0) throw new Refused('hours.exceed-month');
      return count.isZero
        ? { kinds: often(ZERO), loose: null, unknown: true, several: false }
        : loose(count, hours);
    }
    case 'days': {
      const [hours, inMonth] = [read(running.hoursPerDay, which), read(running.daysPerMonth, which)];
      if (hours.compare(f(24)) > 0) throw new Refused('hours.day-too-long');
      if (inMonth.compare(f(31)) > 0) throw new Refused('days.exceed-month');
      if (hours.times(inMonth).compare(month) > 0) throw new Refused('hours.exceed-month');
      const inWeek = inMonth.times(WEEK).over(month);
      return inWeek.compare(f(7)) > 0 ? loose(inMonth, hours) : placed(days(hours, inWeek));
    }
    case 'weekdays': {
      const [hours, inWeek] = [read(running.hoursPerDay, which), read(running.daysPerWeek, which)];
      if (hours.compare(f(24)) > 0) throw new Refused('hours.day-too-long');
      if (inWeek.compare(f(7)) > 0) throw new Refused('days.exceed-month');
      return placed(days(hours, inWeek));
    }
    case 'week': {
      const marks = [...running.days.join('')];
      const steps = marks.map((mark, hour) => ({
        from: f(hour),
        to: f(hour + 1),
        units: mark === '#' ? ONE : ZERO,
      }));
      return placed([{ share: ONE, steps }]);
    }
    case 'peaks': {
      const [baseline, peak] = [read(running.baseline, which), read(running.peak, which)];
      if (peak.compare(baseline) < 0) throw new Refused('running.order');
      const steps = windows(running.days, running.from, read(running.hours, which), baseline, peak);
      return placed([{ share: ONE, steps }], true);
    }
    case 'autoscale': {
      if (!load) throw new Refused('load.missing');
      const [floor, ceiling] = [read(running.floor, which), read(running.ceiling, which)];
      const carries = read(running.carries, which);
      if (!carries.above0()) throw new Refused('load.incomplete');
      if (floor.compare(ceiling) > 0) throw new Refused('running.order');
      const usual = requestsPerSecond(load, which);
      const steps = loadHeights(load, which).map((step) => ({
        ...step,
        units: most(floor, least(ceiling, usual.times(step.units).over(carries).ceiling())),
      }));
      return placed([{ share: ONE, steps }], true);
    }
  }
}

/** Changes the number of units of every step. */
export function change(kinds: readonly Kind[], to: (units: Fraction) => Fraction): Kind[] {
  return kinds.map(({ share, steps }) => ({
    share,
    steps: steps.map((step) => ({ ...step, units: to(step.units) })),
  }));
}

/** Unit-hours of an average week. */
export function unitHours(kinds: readonly Kind[]): Fraction {
  return sum(
    kinds.map(({ share, steps }) =>
      share.times(sum(steps.map(({ from, to, units }) => to.minus(from).times(units)))),
    ),
  );
}

/** The steps of each of the 168 clock hours. */
export function clockHours(steps: readonly Step[]): Step[][] {
  const hours: Step[][] = Array.from({ length: 168 }, () => []);
  for (const { from, to, units } of steps) {
    for (let hour = Number(from.floor().above); f(hour).compare(to) < 0; hour += 1) {
      const [begin, end] = [most(from, f(hour)), least(to, f(hour + 1))];
      if (end.compare(begin) > 0) hours[hour]!.push({ from: begin, to: end, units });
    }
  }
  return hours;
}
