/**
 * Running time as it is billed: each run in started increments, never fewer units than the rate is sold for, each unit
 * for its least hours. As ranks (units that begin and stop together) and as a week. Source: pricing rules,
 * "Increments", "Minimums", "Where two rules meet", 1, 3, 5.
 */
import { addAll, type Decimal, decimal, Decimal as Decimals, roundedUp, ZERO } from '../base';
import type { Rank } from '../terms';
import { type Figure, given, product, quotient, sum } from '../trace';
import { conversionFactor } from '../units';
import {
  atLeastIfAny,
  billedSize,
  hoursAtLevel,
  type Increment,
  lengthenedWeeks,
  levelsOf,
  mapUnits,
  ranksOfWeeks,
  timesWeeks,
  type Week,
  WEEK_HOURS,
  type WeekRank,
  weeksOfRuns,
} from '../usage';
import { countedUnits, type MeterContext } from './meter-context';

/** Hours of one run as billed; a run of nothing is none. */
export function billedRun(hours: Decimal, { step, unit, least }: Increment): Decimal {
  if (hours.isZero()) return hours;
  const factor = conversionFactor('hour', unit);
  if (!factor.ok) return hours;
  const size = hours.times(factor.value);
  const started = roundedUp(Decimals.max(size, least ?? ZERO).dividedBy(step));
  return started.times(step).dividedBy(factor.value);
}

/** Never fewer units than the least while anything runs; for what several units make up. */
export function leastUnits(context: MeterContext): Figure {
  const { count, rate, time } = context;
  const least = rate.minimums?.count;
  const lowest = levelsOf(time.profile.weeks).find(({ units }) => !units.isZero());
  if (!least || !lowest || count.value.isZero()) return count;
  const running = lowest.units.times(count.value);
  return running.lessThan(least) ? given('Units, at least', least, count.unit) : count;
}

/** All units over the week, as they run. */
function rawWeeks(context: MeterContext): readonly Week[] {
  const { count, rate, time } = context;
  const weeks = time.profile.weeks;
  if (time.single) return timesWeeks(weeks, countedUnits(context).value);
  const least = rate.minimums?.count ?? ZERO;
  return mapUnits(weeks, (each) => {
    const units = each.times(count.value);
    return units.isZero() ? units : Decimals.max(units, least);
  });
}

/** All units over the week, as they are billed. */
export function billedWeeks(context: MeterContext): readonly Week[] {
  const { rate, time, hoursInMonth } = context;
  const { increment } = rate;
  // What never stops has no run that could be rounded.
  if (!increment || context.component.running.pattern === 'always') return rawWeeks(context);
  const { spells } = time;
  if (!time.profile.placed) {
    if (!spells) return rawWeeks(context);
    const each = billedRun(spells.hoursEach.value, increment);
    return timesWeeks(weeksOfRuns(spells.count.value, each, hoursInMonth), countedUnits(context).value);
  }
  return lengthenedWeeks(rawWeeks(context), (hours) => billedRun(hours, increment));
}

/** Units that run the same hours: of 2 to 6 units, two run always and the others less. */
export function billedRanks(context: MeterContext, leastHours: Figure | null): readonly Rank[] {
  const { time } = context;
  const raise = (hours: Figure): Figure =>
    atLeastIfAny('Hours of each, at least', hours, leastHours?.value ?? null);
  if (time.single) return [{ units: countedUnits(context), hours: raise(singleHours(context)) }];
  const { increment } = context.rate;
  const counted = rankUnits(context);
  if (increment) {
    return ranksOfWeeks(rawWeeks(context)).map((rank) => ({
      units: counted(rank.units),
      hours: raise(hoursOfRuns(rank, time.profile.weeks, increment, context.hoursInMonth)),
    }));
  }
  return ranksOfLevels(rawWeeks(context), context.hoursInMonth).map(({ units, hours }) => ({
    units: counted(units.value),
    hours: raise(hours),
  }));
}

/** Units by how long they run in the month; part units too. */
export function ranksOfLevels(weeks: readonly Week[], hoursInMonth: Decimal): Rank[] {
  const levels = levelsOf(weeks).filter((level) => !level.units.isZero());
  let below = ZERO;
  return levels.map((level, index) => {
    const weekHours = addAll(levels.slice(index).map((each) => each.weekHours));
    const units = given('Units of this rank', level.units.minus(below), 'unit');
    below = level.units;
    return { units, hours: hoursAtLevel({ weekHours }, hoursInMonth) };
  });
}

/** How a rank's units are told: so many for each of the count, where no minimum changed them. */
function rankUnits(context: MeterContext): (units: Decimal) => Figure {
  const { count } = context;
  const plain = leastUnits(context) === count && !count.value.isZero();
  return (units) =>
    plain
      ? product('Units', 'unit', [count, given('Of this rank, each', units.dividedBy(count.value), 'unit')])
      : given('Units of this rank', units, 'unit');
}

function singleHours(context: MeterContext): Figure {
  const { rate, time, hoursInMonth } = context;
  const { increment } = rate;
  const { spells } = time;
  if (!increment) return time.hours;
  if (spells) {
    if (spells.hoursEach.value.isZero()) return time.hours;
    return product('Hours in started increments', 'hour', [
      spells.count,
      billedEach(spells.hoursEach, increment),
    ]);
  }
  if (!time.profile.placed) return time.hours;
  const [rank] = ranksOfWeeks(time.profile.weeks);
  if (!rank || rank.runs.every((runs) => runs === null)) return time.hours;
  return hoursOfRuns(rank, time.profile.weeks, increment, hoursInMonth);
}

/** One run with its steps written out. */
function billedEach(hours: Figure, increment: Increment): Figure {
  const { unit } = increment;
  const billed = billedSize(hours, increment);
  const factor = conversionFactor('hour', unit);
  if (!billed.ok || !factor.ok) return hours;
  return quotient('One run as billed, in hours', 'hour', [
    billed.value,
    given(`1 hour in ${unit}`, factor.value, `${unit} each`),
  ]);
}

/** Hours of a rank in the month: runs by their length, and weeks that it runs through. */
function hoursOfRuns(
  rank: WeekRank,
  weeks: readonly Week[],
  increment: Increment,
  hoursInMonth: Decimal,
): Figure {
  const counts = new Map<string, { hours: Decimal; count: Decimal }>();
  let through = ZERO;
  rank.runs.forEach((runs, at) => {
    const { share } = weeks[at]!;
    if (runs === null) through = through.plus(share);
    for (const { hours } of runs ?? []) {
      const known = counts.get(hours.toString());
      if (known) known.count = known.count.plus(share);
      else counts.set(hours.toString(), { hours, count: share });
    }
  });
  const month = quotient('Weeks of the month', 'week', [
    given('Hours of the month', hoursInMonth, 'hour'),
    given('Hours of a week', decimal(WEEK_HOURS), 'hour'),
  ]);
  const rows = [...counts.values()].map(({ hours, count }) =>
    product(`Runs of ${hours} h`, 'hour', [
      month,
      given('Such runs a week', count, 'run'),
      billedEach(given('Hours of one run', hours, 'hour'), increment),
    ]),
  );
  if (!through.isZero()) rows.push(hoursAtLevel({ weekHours: through.times(WEEK_HOURS) }, hoursInMonth));
  return rows.length === 1 ? rows[0]! : sum('Hours in started increments', 'hour', rows);
}
