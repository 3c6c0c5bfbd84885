/**
 * The runs of a week: from when to when units run without a break, the end of Sunday joined to the beginning of Monday.
 * Started increments are counted by run, whichever way the week was entered; a unit that never stops has no run that
 * could be rounded. Source: pricing rules, "Increments", "Where two rules meet", 3.
 */
import { addAll, type Decimal, decimal, Decimal as Decimals, ONE, ZERO } from '../base';
import { type Hour, type Stretch, type Week, WEEK_HOURS } from './week';

export interface WeekRun {
  /** Hours since Monday 0:00. */
  readonly from: Decimal;
  readonly hours: Decimal;
}

/** Units that begin and stop together. */
export interface WeekRank {
  readonly units: Decimal;
  /** By kind of week: its runs; null: it runs on through the whole week. */
  readonly runs: readonly (readonly WeekRun[] | null)[];
}

interface Edge {
  readonly from: Decimal;
  readonly hours: Decimal;
  readonly units: Decimal;
}

/** The stretches of a week in a row, neighbours of one height joined. */
function edgesOf({ hours }: Week): Edge[] {
  const edges: { from: Decimal; hours: Decimal; units: Decimal }[] = [];
  hours.forEach((hour, at) => {
    let from = decimal(at);
    for (const { length, units } of hour) {
      if (length.isZero()) continue;
      const last = edges[edges.length - 1];
      if (last?.units.equals(units)) last.hours = last.hours.plus(length);
      else edges.push({ from, hours: length, units });
      from = from.plus(length);
    }
  });
  return edges;
}

/**
 * Of a group of two to six: two that never stop, and four that run in the peak.
 *
 * @example
 * ranksOfWeeks(everyWeek(sameAllWeek(decimal('2')))).length; // => 1
 */
export function ranksOfWeeks(weeks: readonly Week[]): WeekRank[] {
  const edges = weeks.map(edgesOf);
  const heights = [...new Map(edges.flat().map(({ units }) => [units.toString(), units])).values()]
    .filter((units) => units.greaterThan(0))
    .sort((a, b) => a.comparedTo(b));
  return heights.map((height, index) => ({
    units: height.minus(heights[index - 1] ?? ZERO),
    runs: edges.map((row) => runsAbove(row, height)),
  }));
}

function runsAbove(edges: readonly Edge[], height: Decimal): WeekRun[] | null {
  const runs: { from: Decimal; hours: Decimal }[] = [];
  let open = false;
  for (const { from, hours, units } of edges) {
    const on = units.greaterThanOrEqualTo(height);
    if (on && open) runs[runs.length - 1]!.hours = runs[runs.length - 1]!.hours.plus(hours);
    else if (on) runs.push({ from, hours });
    open = on;
  }
  const [first, last] = [runs[0], runs[runs.length - 1]];
  if (!first || !last) return [];
  if (first === last) return first.hours.equals(WEEK_HOURS) ? null : runs;
  if (open && first.from.isZero()) {
    last.hours = last.hours.plus(first.hours);
    runs.shift();
  }
  return runs;
}

/**
 * The same weeks with every run as long as it is billed.
 *
 * @example
 * weekUnitHours(lengthenedWeeks(everyWeek(sameAllWeek(decimal('1'))), (hours) => hours)).toString(); // => '168'
 */
export function lengthenedWeeks(
  weeks: readonly Week[],
  billed: (hours: Decimal) => Decimal,
): readonly Week[] {
  const ranks = ranksOfWeeks(weeks);
  const same = ranks.every((rank) =>
    rank.runs.every((runs) => runs === null || runs.every((run) => billed(run.hours).equals(run.hours))),
  );
  if (same) return weeks;
  return weeks.map(({ share }, at) => {
    const steps: { at: Decimal; change: Decimal }[] = [];
    let all = ZERO;
    for (const { units, runs } of ranks) {
      const own = runs[at];
      if (own === null) all = all.plus(units);
      for (const run of own ?? []) {
        const hours = billed(run.hours);
        const weeksLong = hours.dividedToIntegerBy(WEEK_HOURS);
        all = all.plus(units.times(weeksLong));
        const end = run.from.plus(hours.minus(weeksLong.times(WEEK_HOURS)));
        steps.push({ at: run.from, change: units }, { at: end, change: units.negated() });
        // What reaches beyond Sunday goes on at the beginning of the week.
        if (end.greaterThan(WEEK_HOURS)) {
          steps.push({ at: ZERO, change: units }, { at: end.minus(WEEK_HOURS), change: units.negated() });
        }
      }
    }
    return { share, hours: hoursFrom(all, steps) };
  });
}

function hoursFrom(base: Decimal, steps: readonly { at: Decimal; change: Decimal }[]): Hour[] {
  const marks = new Map<string, { at: Decimal; changes: Decimal[] }>();
  for (const { at, change } of steps) {
    if (!at.lessThan(WEEK_HOURS)) continue;
    const known = marks.get(at.toString());
    if (known) known.changes.push(change);
    else marks.set(at.toString(), { at, changes: [change] });
  }
  const sorted = [...marks.values()].sort((a, b) => a.at.comparedTo(b.at));
  let units = base;
  let next = 0;
  return Array.from({ length: WEEK_HOURS }, (_, hour): Hour => {
    const stretches: Stretch[] = [];
    let from = decimal(hour);
    const end = decimal(hour + 1);
    while (from.lessThan(end)) {
      while (next < sorted.length && sorted[next]!.at.lessThanOrEqualTo(from)) {
        units = units.plus(addAll(sorted[next]!.changes));
        next += 1;
      }
      const until = next < sorted.length ? Decimals.min(end, sorted[next]!.at) : end;
      stretches.push({ length: until.minus(from), units });
      from = until;
    }
    return stretches;
  });
}

/**
 * Runs a month of one kind, seen as whole hours and parts of hours: how often an hour is full, and how often a part.
 *
 * @example
 * withoutHair(weekUnitHours(weeksOfRuns(decimal('4'), decimal('2'), decimal('672')))).toString(); // => '2'
 */
export function weeksOfRuns(count: Decimal, hoursEach: Decimal, monthHours: Decimal): Week[] {
  const whole = hoursEach.floor();
  const part = hoursEach.minus(whole);
  const full = count.times(whole).dividedBy(monthHours);
  const divided = part.isZero() ? ZERO : count.dividedBy(monthHours);
  const week = (units: Hour): readonly Hour[] => new Array<Hour>(WEEK_HOURS).fill(units);
  const rest = ONE.minus(full).minus(divided);
  // More runs than hours: every hour has its even part of them.
  if (rest.isNegative()) {
    const even = count.times(hoursEach).dividedBy(monthHours);
    const hour: Hour = even.lessThan(1)
      ? [
          { length: even, units: ONE },
          { length: ONE.minus(even), units: ZERO },
        ]
      : [{ length: ONE, units: even }];
    return [{ share: ONE, hours: week(hour) }];
  }
  const kinds: Week[] = [
    { share: full, hours: week([{ length: ONE, units: ONE }]) },
    {
      share: divided,
      hours: week([
        { length: part, units: ONE },
        { length: ONE.minus(part), units: ZERO },
      ]),
    },
    { share: rest, hours: week([{ length: ONE, units: ZERO }]) },
  ];
  return kinds.filter(({ share }) => !share.isZero());
}
