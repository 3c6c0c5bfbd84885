/** The runs of a week: when units begin and stop, and how long each run is billed. */
import { f, type Fraction, least, most, sum, ZERO } from './fraction';
import { convert } from './units';
import { type Kind, Refused, type Step, WEEK } from './week';

export interface Run {
  readonly from: Fraction;
  readonly hours: Fraction;
}

export interface Rank {
  readonly units: Fraction;
  /** By kind of week: its runs, the end of Sunday joined to Monday; null: without a break. */
  readonly runs: readonly (readonly Run[] | null)[];
}

/** Units one upon the other, each with its runs. */
export function ranksOf(kinds: readonly Kind[]): Rank[] {
  const heights: Fraction[] = [];
  for (const { steps } of kinds) {
    for (const { units, from, to } of steps) {
      if (!units.above0() || to.compare(from) <= 0) continue;
      if (!heights.some((each) => each.compare(units) === 0)) heights.push(units);
    }
  }
  heights.sort((a, b) => a.compare(b));
  return heights.map((height, index) => ({
    units: height.minus(heights[index - 1] ?? ZERO),
    runs: kinds.map(({ steps }) => runsAt(steps, height)),
  }));
}

function runsAt(steps: readonly Step[], height: Fraction): Run[] | null {
  const on = steps.filter(({ units, from, to }) => units.compare(height) >= 0 && to.compare(from) > 0);
  const runs: { from: Fraction; to: Fraction }[] = [];
  for (const { from, to } of on) {
    const last = runs[runs.length - 1];
    if (last && last.to.compare(from) === 0) last.to = to;
    else runs.push({ from, to });
  }
  if (runs.length === 1 && runs[0]!.from.isZero && runs[0]!.to.compare(WEEK) === 0) return null;
  const [first, last] = [runs[0], runs[runs.length - 1]];
  if (first && last && first !== last && first.from.isZero && last.to.compare(WEEK) === 0) {
    last.to = last.to.plus(first.to);
    runs.shift();
  }
  return runs.map(({ from, to }) => ({ from, hours: to.minus(from) }));
}

export interface Increment {
  readonly step: string;
  readonly unit: string;
  readonly least: string | null;
}

/** Started steps of one thing, after a least size. */
export function started(
  size: Fraction,
  unit: string,
  { step, unit: stepUnit, least: lowest }: Increment,
): Fraction {
  const factor = convert(unit, stepUnit);
  if (!factor) throw new Refused('unit.mismatch');
  return most(size.times(factor), f(lowest ?? '0'))
    .over(f(step))
    .ceiling();
}

export function billedRun(hours: Fraction, increment: Increment): Fraction {
  if (hours.isZero) return hours;
  return started(hours, 'hour', increment).times(f(increment.step)).times(convert(increment.unit, 'hour')!);
}

/** Every run as long as it is billed, whatever else is billed in the same hours. */
export function lengthen(kinds: readonly Kind[], increment: Increment): Kind[] {
  const ranks = ranksOf(kinds);
  return kinds.map(({ share }, at) => {
    const edges: Fraction[] = [ZERO, WEEK];
    const spans: { from: Fraction; to: Fraction; units: Fraction }[] = [];
    for (const { units, runs } of ranks) {
      const own = runs[at];
      if (own === null) spans.push({ from: ZERO, to: WEEK, units });
      for (const { from, hours } of own ?? []) {
        // Laid over the weeks it touches, and each of these seen as this one.
        const end = from.plus(billedRun(hours, increment));
        for (let week = ZERO; week.compare(end) < 0; week = week.plus(WEEK)) {
          const span = { from: most(ZERO, from.minus(week)), to: least(WEEK, end.minus(week)), units };
          if (span.to.compare(span.from) <= 0) continue;
          spans.push(span);
          edges.push(span.from, span.to);
        }
      }
    }
    edges.sort((a, b) => a.compare(b));
    const steps = edges.slice(0, -1).map((from, index): Step => {
      const to = edges[index + 1]!;
      const over = spans.filter((span) => span.from.compare(from) <= 0 && span.to.compare(to) >= 0);
      return { from, to, units: sum(over.map((span) => span.units)) };
    });
    return { share, steps: steps.filter(({ from, to }) => to.compare(from) > 0) };
  });
}
