/**
 * The week behind every running pattern: for each of the 168 hours, how often how many units run. A month is a mix of
 * kinds of weeks (of 2.5 days a week, half the weeks have three and half have two), and an hour may change within
 * itself (the last half hour of a day of 8.5 h). Averages are never taken: two units that run half an hour are one
 * unit-hour, one unit every second hour is not. Source: pricing rules, "Where two rules meet", 3.
 */
import { addAll, type Decimal, decimal, ONE, ZERO } from '../base';

export const WEEK_HOURS = 168;

/** A part of one clock hour, in its order. */
export interface Stretch {
  /** Of the hour: all stretches of an hour add up to 1. */
  readonly length: Decimal;
  readonly units: Decimal;
}

export type Hour = readonly Stretch[];

/** One kind of week. All parts of a design share it: in the weeks that have three days, all have three. */
export interface Week {
  /** Of all weeks: the shares add up to 1. */
  readonly share: Decimal;
  /** 168, beginning on Monday. */
  readonly hours: readonly Hour[];
}

export interface Profile {
  readonly weeks: readonly Week[];
  /** False where only a number of hours is known, not which. */
  readonly placed: boolean;
  /** Autoscale only: whether some hour wants more than the ceiling. */
  readonly short: boolean;
}

export interface Level {
  readonly units: Decimal;
  /** Hours of an average week. */
  readonly weekHours: Decimal;
}

const OFF: Hour = [{ length: ONE, units: ZERO }];
const ON: Hour = [{ length: ONE, units: ONE }];

/**
 * An hour in which nothing changes.
 *
 * @example
 * unitHoursOf(steadyHour(decimal('3'))).toString(); // => '3'
 */
export function steadyHour(units: Decimal): Hour {
  return units === ONE ? ON : units === ZERO ? OFF : [{ length: ONE, units }];
}

/**
 * `inside` from the beginning of the hour for so much of it, then `outside`.
 *
 * @example
 * unitHoursOf(dividedHour(decimal('0.5'), decimal('4'), decimal('2'))).toString(); // => '3'
 */
export function dividedHour(length: Decimal, inside: Decimal, outside: Decimal): Hour {
  return [
    { length, units: inside },
    { length: ONE.minus(length), units: outside },
  ];
}

/**
 * 168 times the same; nobody changes a week, so the one of a unit that runs always is shared.
 *
 * @example
 * sameAllWeek(decimal('3')).length; // => 168
 */
export function sameAllWeek(units: Decimal): readonly Hour[] {
  return units === ONE ? ALL_WEEK : new Array<Hour>(WEEK_HOURS).fill(steadyHour(units));
}

const ALL_WEEK: readonly Hour[] = new Array<Hour>(WEEK_HOURS).fill(ON);
const NO_WEEK: readonly Hour[] = new Array<Hour>(WEEK_HOURS).fill(OFF);

/**
 * The same every week.
 *
 * @example
 * everyWeek(sameAllWeek(decimal('3'))).length; // => 1
 */
export function everyWeek(hours: readonly Hour[]): Week[] {
  return [{ share: ONE, hours }];
}

/**
 * So often all week, else not at all: what is known of a mere number of hours.
 *
 * @example
 * weekUnitHours(soOften(decimal('0.5'))).toString(); // => '84'
 */
export function soOften(share: Decimal): Week[] {
  if (share.greaterThanOrEqualTo(1)) return everyWeek(ALL_WEEK);
  if (share.isZero()) return everyWeek(NO_WEEK);
  return [
    { share, hours: ALL_WEEK },
    { share: ONE.minus(share), hours: NO_WEEK },
  ];
}

/**
 * A value for each hour of the week: `inside` in a daily window, `outside` else.
 *
 * @example
 * weekUnitHours(everyWeek(windowWeek([0, 1, 2, 3, 4], 8, decimal('10'), { outside: decimal('0'), inside: decimal('1') }))).toString(); // => '50'
 */
export function windowWeek(
  days: readonly number[],
  from: number,
  hours: Decimal,
  values: { readonly outside: Decimal; readonly inside: Decimal },
): Hour[] {
  const week: Hour[] = new Array<Hour>(WEEK_HOURS).fill(steadyHour(values.outside));
  const inside = steadyHour(values.inside);
  const whole = Math.min(24, Math.floor(hours.toNumber()));
  const rest = whole < 24 ? hours.minus(whole) : ZERO;
  // A window may reach into the next day; whole hours there are never taken back by the part of another window.
  for (const day of new Set(days)) {
    const at = (day * 24 + from + whole) % WEEK_HOURS;
    if (rest.greaterThan(0)) week[at] = dividedHour(rest, values.inside, values.outside);
  }
  for (const day of new Set(days)) {
    for (let hour = 0; hour < whole; hour += 1) week[(day * 24 + from + hour) % WEEK_HOURS] = inside;
  }
  return week;
}

/**
 * Unit-hours within one clock hour.
 *
 * @example
 * unitHoursOf(steadyHour(decimal('2'))).toString(); // => '2'
 */
export function unitHoursOf(hour: Hour): Decimal {
  return hour.length === 1 ? hour[0]!.units : addAll(hour.map(({ length, units }) => length.times(units)));
}

/**
 * Distinct heights with how many hours of an average week each lasts, lowest first.
 *
 * @example
 * levelsOf(everyWeek(sameAllWeek(decimal('3')))).length; // => 1
 */
export function levelsOf(weeks: readonly Week[]): Level[] {
  const found = new Map<string, { units: Decimal; weekHours: Decimal }>();
  for (const { share, hours } of weeks) {
    for (const [hour, times] of alike(hours)) {
      for (const { length, units } of hour) {
        const lasts = share.times(length).times(times);
        const key = units.toString();
        const known = found.get(key);
        if (known) known.weekHours = known.weekHours.plus(lasts);
        else found.set(key, { units, weekHours: lasts });
      }
    }
  }
  return [...found.values()]
    .filter(({ weekHours }) => !weekHours.isZero())
    .sort((a, b) => a.units.comparedTo(b.units));
}

/**
 * The very same hours, counted.
 *
 * @example
 * alike(sameAllWeek(decimal('3'))).size; // => 1
 */
export function alike(hours: readonly Hour[]): Map<Hour, number> {
  const counts = new Map<Hour, number>();
  // Neighbours are mostly the very same hour.
  for (let from = 0; from < hours.length;) {
    const hour = hours[from]!;
    let to = from + 1;
    while (to < hours.length && hours[to] === hour) to += 1;
    counts.set(hour, (counts.get(hour) ?? 0) + to - from);
    from = to;
  }
  return counts;
}

/**
 * Changes every hour, once for each that is the same.
 *
 * @example
 * weekUnitHours(mapWeeks(everyWeek(sameAllWeek(decimal('3'))), () => steadyHour(decimal('1')))).toString(); // => '168'
 */
export function mapWeeks(weeks: readonly Week[], change: (hour: Hour) => Hour): Week[] {
  const known = new Map<Hour, Hour>();
  let [last, lastChanged]: (Hour | null)[] = [null, null];
  const changed = (hour: Hour): Hour => {
    if (hour === last) return lastChanged!;
    let made = known.get(hour);
    if (!made) known.set(hour, (made = change(hour)));
    [last, lastChanged] = [hour, made];
    return made;
  };
  return weeks.map(({ share, hours }) => ({ share, hours: hours.map(changed) }));
}

/**
 * @example
 * weekUnitHours(mapUnits(everyWeek(sameAllWeek(decimal('3'))), (units) => units.minus(1))).toString(); // => '336'
 */
export function mapUnits(weeks: readonly Week[], change: (units: Decimal) => Decimal): Week[] {
  return mapWeeks(weeks, (hour) => hour.map(({ length, units }) => ({ length, units: change(units) })));
}

/**
 * So many times as much of it.
 *
 * @example
 * weekUnitHours(timesWeeks(everyWeek(sameAllWeek(decimal('1'))), decimal('2'))).toString(); // => '336'
 */
export function timesWeeks(weeks: readonly Week[], factor: Decimal): readonly Week[] {
  return factor === ONE || factor.equals(1) ? weeks : mapUnits(weeks, (units) => units.times(factor));
}

/**
 * Units in each hour of an average week. For pictures only: nothing is priced by it.
 *
 * @example
 * averageWeek(everyWeek(sameAllWeek(decimal('3'))))[0]!.toString(); // => '3'
 */
export function averageWeek(weeks: readonly Week[]): Decimal[] {
  return Array.from({ length: WEEK_HOURS }, (_, hour) =>
    addAll(weeks.map((week) => week.share.times(unitHoursOf(week.hours[hour]!)))),
  );
}

/**
 * Unit-hours of an average week.
 *
 * @example
 * weekUnitHours(everyWeek(sameAllWeek(decimal('1')))).toString(); // => '168'
 */
export function weekUnitHours(weeks: readonly Week[]): Decimal {
  return addAll(levelsOf(weeks).map(({ units, weekHours }) => units.times(weekHours)));
}

export interface Together {
  /** Hours of an average week in which it is so. */
  readonly weekHours: Decimal;
  readonly a: Decimal;
  readonly b: Decimal;
}

/**
 * Two weeks side by side: how long which pair of heights lasts. The first has one kind only.
 *
 * @example
 * sideBySide(sameAllWeek(decimal('1')), everyWeek(sameAllWeek(decimal('2')))).length; // => 1
 */
export function sideBySide(a: readonly Hour[], weeks: readonly Week[]): Together[] {
  const rows = new Map<string, { weekHours: Decimal; a: Decimal; b: Decimal }>();
  const add = (lasts: Decimal, left: Decimal, right: Decimal): void => {
    const key = `${left} ${right}`;
    const known = rows.get(key);
    if (known) known.weekHours = known.weekHours.plus(lasts);
    else rows.set(key, { weekHours: lasts, a: left, b: right });
  };
  for (const { share, hours } of weeks) {
    hours.forEach((hour, at) => {
      for (const [length, left, right] of overlap(a[at]!, hour)) add(share.times(length), left, right);
    });
  }
  return [...rows.values()];
}

function overlap(a: Hour, b: Hour): [Decimal, Decimal, Decimal][] {
  if (a.length === 1 && b.length === 1) return [[ONE, a[0]!.units, b[0]!.units]];
  const rows: [Decimal, Decimal, Decimal][] = [];
  let [left, right] = [0, 0];
  let [leftOver, rightOver] = [a[0]!.length, b[0]!.length];
  while (left < a.length && right < b.length) {
    const length = leftOver.lessThan(rightOver) ? leftOver : rightOver;
    if (length.greaterThan(0)) rows.push([length, a[left]!.units, b[right]!.units]);
    leftOver = leftOver.minus(length);
    rightOver = rightOver.minus(length);
    if (leftOver.lessThanOrEqualTo(0)) leftOver = a[(left += 1)]?.length ?? decimal(0);
    if (rightOver.lessThanOrEqualTo(0)) rightOver = b[(right += 1)]?.length ?? decimal(0);
  }
  return rows;
}
