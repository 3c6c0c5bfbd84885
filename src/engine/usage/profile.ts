/**
 * From a running pattern to the week behind it. Whatever depends on when (commitments, capacity units, autoscale,
 * started increments) reads the week; averages do not. Source: pricing rules, "Running patterns".
 */
import {
  type Decimal,
  decimal,
  Decimal as Decimals,
  err,
  issue,
  ok,
  ONE,
  roundedUp,
  type Result,
  ZERO,
} from '../base';
import { type Case, readCase } from './cased';
import { type Load, loadShape, requestRate } from './load';
import type { Running } from './pattern';
import {
  everyWeek,
  type Hour,
  mapUnits,
  type Profile,
  sameAllWeek,
  soOften,
  steadyHour,
  type Week,
  WEEK_HOURS,
  windowWeek,
} from './week';
import { weeksOfRuns } from './week-runs';

const OFFICE_FROM = 8;

export interface MonthRun {
  /** What one unit runs in the month, for patterns that know only that. */
  readonly runHours: Decimal;
  readonly monthHours: Decimal;
  /** How many runs those hours come in; null: not known. */
  readonly runs: Decimal | null;
}

/**
 * Refused: `load.missing`, `load.incomplete` (autoscale), `hours.week-malformed`, `quantity.negative`,
 * `hours.day-too-long` (a window), `running.order` (a floor above its ceiling, a peak below its baseline).
 *
 * @example
 * const month = { runHours: decimal('730'), monthHours: decimal('730'), runs: null };
 * must(weekProfile({ pattern: 'always' }, 'likely', month, null)).placed; // => true
 */
export function weekProfile(
  running: Running,
  which: Case,
  month: MonthRun,
  load: Load | null,
): Result<Profile> {
  const { runHours, monthHours, runs } = month;
  switch (running.pattern) {
    case 'always':
      return placed(everyWeek(sameAllWeek(ONE)));
    case 'hours':
    case 'asleep':
    case 'runs': {
      const known = runs !== null && !runs.isZero();
      const weeks = known
        ? weeksOfRuns(runs, runHours.dividedBy(runs), monthHours)
        : soOften(runHours.dividedBy(monthHours));
      return ok({ weeks, placed: !known && runHours.equals(monthHours), short: false });
    }
    case 'days': {
      const hours = decimal(readCase(running.hoursPerDay, which));
      const inMonth = decimal(readCase(running.daysPerMonth, which));
      const days = inMonth.times(WEEK_HOURS).dividedBy(monthHours);
      // 31 days in a month of 730 hours: a little more than every day, so which hours is not known.
      if (days.greaterThan(7))
        return ok({ weeks: weeksOfRuns(inMonth, hours, monthHours), placed: false, short: false });
      return placed(weeksOfDays(hours, days));
    }
    case 'weekdays':
      return placed(
        weeksOfDays(
          decimal(readCase(running.hoursPerDay, which)),
          decimal(readCase(running.daysPerWeek, which)),
        ),
      );
    case 'week':
      return drawnWeek(running.days);
    case 'peaks': {
      const baseline = decimal(readCase(running.baseline, which));
      const peak = decimal(readCase(running.peak, which));
      const hours = decimal(readCase(running.hours, which));
      if (peak.lessThan(baseline)) return outOfOrder('peak', baseline, peak);
      if (hours.greaterThan(24)) {
        return err(issue('hours.day-too-long', ['running', 'hours'], { hours: hours.toString() }));
      }
      return placed(
        everyWeek(windowWeek(running.days, running.from, hours, { outside: baseline, inside: peak })),
      );
    }
    case 'autoscale':
      return load ? scaled(running, load, which) : err(issue('load.missing', ['load']));
  }
}

function placed(weeks: readonly Week[]): Result<Profile> {
  return ok({ weeks, placed: true, short: false });
}

/**
 * So many hours on so many days from Monday on, beginning in the morning. A part of a day is a day in some weeks and
 * none in the others.
 */
function weeksOfDays(hours: Decimal, days: Decimal): Week[] {
  const from = hours.greaterThan(24 - OFFICE_FROM) ? 0 : OFFICE_FROM;
  const whole = Math.min(7, Math.floor(days.toNumber()));
  const rest = whole === 7 ? ZERO : days.minus(whole);
  const weekOf = (count: number): Hour[] =>
    windowWeek(
      Array.from({ length: count }, (_, day) => day),
      from,
      hours,
      { outside: ZERO, inside: ONE },
    );
  if (rest.isZero()) return everyWeek(weekOf(whole));
  return [
    { share: rest, hours: weekOf(whole + 1) },
    { share: ONE.minus(rest), hours: weekOf(whole) },
  ];
}

/**
 * Checks a drawn week: seven texts of 24 characters, `#` or `.`.
 *
 * @example
 * isDrawnWeek(Array(7).fill('#'.repeat(24))); // => true
 */
export function isDrawnWeek(days: readonly string[]): boolean {
  return days.length === 7 && days.every((day) => /^[#.]{24}$/.test(day));
}

function drawnWeek(days: readonly string[]): Result<Profile> {
  if (!isDrawnWeek(days)) return err(issue('hours.week-malformed', ['running', 'days']));
  return placed(everyWeek([...days.join('')].map((mark) => steadyHour(mark === '#' ? ONE : ZERO))));
}

function scaled(
  running: Extract<Running, { pattern: 'autoscale' }>,
  load: Load,
  which: Case,
): Result<Profile> {
  const rate = requestRate(load, which);
  if (!rate.ok) return rate;
  const carries = decimal(readCase(running.carries, which));
  if (!carries.greaterThan(0)) {
    return err(issue('load.incomplete', ['running', 'carries'], { what: 'how much one unit carries' }));
  }
  const floor = decimal(readCase(running.floor, which));
  const ceiling = decimal(readCase(running.ceiling, which));
  if (floor.greaterThan(ceiling)) return outOfOrder('ceiling', floor, ceiling);
  const shape = loadShape(load, which);
  if (!shape.ok) return shape;
  let short = false;
  const weeks = mapUnits(everyWeek(shape.value), (height) => {
    const wanted = roundedUp(rate.value.value.times(height).dividedBy(carries));
    if (wanted.greaterThan(ceiling)) short = true;
    return Decimals.max(floor, Decimals.min(ceiling, wanted));
  });
  return ok({ weeks, placed: true, short });
}

function outOfOrder(field: string, least: Decimal, most: Decimal): Result<never> {
  return err(issue('running.order', ['running', field], { least: least.toString(), most: most.toString() }));
}
