/**
 * The one 168-hour profile behind every running pattern: how many units of one component run in each hour of a week
 * that begins on Monday. Whatever depends on when (commitments, capacity units, autoscale) reads it; averages do not.
 * Source: pricing rules, "Running patterns".
 */
import {
  addAll,
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
import { type Load, loadShape, requestRate, window168 } from './load';
import type { Running } from './pattern';

export const WEEK_HOURS = 168;

export interface Profile {
  /** 168 values: units running. */
  readonly units: readonly Decimal[];
  /** False where only a number of hours is known, not which: those are spread evenly over the week. */
  readonly placed: boolean;
  /** Autoscale only: whether some hour wants more than the ceiling. */
  readonly short: boolean;
}

export interface Level {
  readonly units: Decimal;
  /** How many of the 168 hours. */
  readonly weekHours: number;
}

const OFFICE_FROM = 8;

/**
 * `runHours` is what one unit runs in a month of `monthHours` for patterns that know only that. Refused:
 * `load.missing`, `load.incomplete` (autoscale), `hours.week-malformed`, `quantity.negative`.
 */
export function weekProfile(
  running: Running,
  which: Case,
  month: { readonly runHours: Decimal; readonly monthHours: Decimal },
  load: Load | null,
): Result<Profile> {
  switch (running.pattern) {
    case 'always':
      return even(ONE, true);
    case 'hours':
    case 'asleep':
    case 'runs':
      return even(month.runHours.dividedBy(month.monthHours), month.runHours.equals(month.monthHours));
    case 'days': {
      const hours = decimal(readCase(running.hoursPerDay, which));
      const days = decimal(readCase(running.daysPerMonth, which))
        .times(WEEK_HOURS)
        .dividedBy(month.monthHours);
      return placed(fillDays(hours, days));
    }
    case 'weekdays':
      return placed(
        fillDays(
          decimal(readCase(running.hoursPerDay, which)),
          decimal(readCase(running.daysPerWeek, which)),
        ),
      );
    case 'week':
      return drawnWeek(running.days);
    case 'peaks':
      return placed(
        window168(running.days, running.from, decimal(readCase(running.hours, which)), {
          outside: decimal(readCase(running.baseline, which)),
          inside: decimal(readCase(running.peak, which)),
        }),
      );
    case 'autoscale':
      return load ? scaled(running, load, which) : err(issue('load.missing', ['load']));
  }
}

/** Distinct heights of a profile with how many hours of the week each lasts, lowest first. */
export function levelsOf(units: readonly Decimal[]): Level[] {
  const counts = new Map<string, { units: Decimal; weekHours: number }>();
  let last: { units: Decimal; weekHours: number } | undefined;
  for (const each of units) {
    // Neighbouring hours mostly hold the very same value; comparing digits would be the dear part.
    if (last?.units !== each) {
      const key = each.toString();
      last = counts.get(key);
      if (!last) counts.set(key, (last = { units: each, weekHours: 0 }));
    }
    last.weekHours += 1;
  }
  return [...counts.values()].sort((a, b) => a.units.comparedTo(b.units));
}

/** Applies `change` to every hour, once for each value. */
export function mapHours(units: readonly Decimal[], change: (value: Decimal) => Decimal): Decimal[] {
  const known = new Map<Decimal, Decimal>();
  return units.map((each) => {
    let value = known.get(each);
    if (!value) known.set(each, (value = change(each)));
    return value;
  });
}

export function meanOf(units: readonly Decimal[]): Decimal {
  return addAll(units).dividedBy(WEEK_HOURS);
}

function placed(units: readonly Decimal[]): Result<Profile> {
  return ok({ units, placed: true, short: false });
}

/** 168 times the same; nobody changes a profile, so the one of a unit that runs always is shared. */
export function sameAllWeek(units: Decimal): readonly Decimal[] {
  return units === ONE ? ALL_WEEK : new Array<Decimal>(WEEK_HOURS).fill(units);
}

const ALL_WEEK: readonly Decimal[] = new Array<Decimal>(WEEK_HOURS).fill(ONE);

function even(units: Decimal, isPlaced: boolean): Result<Profile> {
  return ok({ units: sameAllWeek(units), placed: isPlaced, short: false });
}

/** So many hours on so many days from Monday on, beginning in the morning; the last day may be a part of one. */
function fillDays(hours: Decimal, days: Decimal): Decimal[] {
  const from = hours.greaterThan(24 - OFFICE_FROM) ? 0 : OFFICE_FROM;
  const week = window168([], from, hours, { outside: ZERO, inside: ONE });
  for (let day = 0; day < 7; day += 1) {
    const share = Decimals.max(ZERO, Decimals.min(ONE, days.minus(day)));
    if (share.isZero()) break;
    const filled = window168([day], from, hours, { outside: ZERO, inside: share });
    for (let hour = day * 24; hour < day * 24 + 24; hour += 1) week[hour] = filled[hour]!;
  }
  return week;
}

/** Checks a drawn week: seven texts of 24 characters, `#` or `.`. */
export function isDrawnWeek(days: readonly string[]): boolean {
  return days.length === 7 && days.every((day) => /^[#.]{24}$/.test(day));
}

function drawnWeek(days: readonly string[]): Result<Profile> {
  if (!isDrawnWeek(days)) return err(issue('hours.week-malformed', ['running', 'days']));
  return placed([...days.join('')].map((mark) => (mark === '#' ? ONE : ZERO)));
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
  let short = false;
  const units = loadShape(load, which).map((height) => {
    const wanted = roundedUp(rate.value.value.times(height).dividedBy(carries));
    if (wanted.greaterThan(ceiling)) short = true;
    return Decimals.max(floor, Decimals.min(ceiling, wanted));
  });
  return ok({ units, placed: true, short });
}
