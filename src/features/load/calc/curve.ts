/**
 * The month of a design, or of a part of it, over what varies: exact at every place, steps as steps, with the places
 * where the cheapest changes, what happens on the way, which lines grow and where the budget is crossed. Source: pricing
 * rules, "Load curves"; needs E19, F15, H3, L6, L22, P4, U6.
 */
import { allComponents } from '@/engine/design';
import { type Bend, findBends } from './bends';
import { Cheapest, crossingHolds } from './crossings';
import { Evaluated } from './evaluated';
import { gridOf, tidy } from './grid';
import { marksAt } from './marks';
import type { Curve, CurveAsk, GrowingLine, Mark, MarkedReading } from './model';

/** Of the range; so near are the two places that show a step as a step. */
const NEAR = 1e-4;
const MOST_BENDS = 60;
const MOST_MARKS = 10;
/** So many steps of the same lines stand by themselves. */
const TOLD = 3;
/** Between two places so near, what moves along moves by less. */
const JUMP = 0.002;
const GROWTH_POINTS = 25;

/**
 * @example
 * const varied = { component: 'a', entry: 'count', low: 1, high: 9, now: 2, whole: true };
 * const axis = { title: 'Servers', unit: '', from: 1, to: 9, scale: 'linear', now: [] };
 * curveOf({ axis, sides: [{ id: null, name: 'Design', plan, varied }], what: { of: 'design' }, points: 3 }).sides[0]!.amounts; // => [73, 365, 657]
 */
export function curveOf({ axis, sides, what, points }: CurveAsk): Curve {
  const evaluated = sides.map((side) => new Evaluated(side, what));
  const grid = gridOf(axis, points);
  const bends = evaluated.map((side) => bendsOf(side, grid));
  const at = withBends(grid, bends.flat());
  const complete = evaluated.flatMap(({ unpriced }, side) => (unpriced === 0 ? [side] : []));
  // Where every side lacks something they are compared as they are, and each says what it lacks.
  const eligible = complete.length > 0 ? complete : evaluated.map((_, side) => side);
  const { crossings, stretches } = new Cheapest(evaluated, eligible).over(at);
  const { design } = sides[0]!.plan;
  const { budget } = design.assumptions;
  return {
    axis,
    currency: design.currency,
    at,
    sides: evaluated.map((side) => ({
      id: side.side.id,
      name: side.side.name,
      amounts: at.map((x) => orNull(side.near(x))),
      unpriced: side.unpriced,
      budget: budget === undefined || what.of !== 'design' ? null : budgetAt(side, at, Number(budget)),
    })),
    stretches,
    crossings: crossings.filter((each) => crossingHolds(each, evaluated)),
    readings: axis.now.map((reading): MarkedReading => ({
      ...reading,
      amounts: evaluated.map((side) => side.exact(reading.at)?.toString() ?? null),
    })),
    ...marksOf(evaluated[0]!, bends[0]!),
    budget: budget ?? null,
    growth: growthOf(evaluated[0]!, axis),
  };
}

function orNull(amount: number): number | null {
  return Number.isNaN(amount) ? null : amount;
}

function bendsOf(side: Evaluated, grid: readonly number[]): Bend[] {
  const heights = grid.map((x) => side.near(x)).filter((each) => !Number.isNaN(each));
  const hair = Math.max(1e-9, Math.max(0, ...heights) * 1e-9);
  return findBends((x) => side.near(x), grid, { hair, near: NEAR, most: MOST_BENDS });
}

function withBends(grid: readonly number[], bends: readonly Bend[]): number[] {
  const [first, last] = [grid[0]!, grid[grid.length - 1]!];
  const places = bends.flatMap(({ from, to }) => [tidy(from), tidy(to)]);
  const all = [...grid, ...places].filter((x) => x >= first && x <= last);
  return [...new Set(all)].sort((a, b) => a - b);
}

/** The first place at which it costs more than the budget; null: nowhere, or everywhere. */
function budgetAt(side: Evaluated, at: readonly number[], budget: number): number | null {
  for (let step = 1; step < at.length; step += 1) {
    let [low, high] = [at[step - 1]!, at[step]!];
    if (!(side.near(low) <= budget && side.near(high) > budget)) continue;
    for (let halving = 0; halving < 40 && high - low > 1e-6 * Math.abs(high); halving += 1) {
      const middle = (low + high) / 2;
      if (side.near(middle) > budget) high = middle;
      else low = middle;
    }
    return low;
  }
  return null;
}

/** Steps of the same lines over and over are told once, without pricing each of them exactly. */
function marksOf(side: Evaluated, bends: readonly Bend[]): Pick<Curve, 'marks' | 'untold'> {
  const groups = new Map<string, Bend[]>();
  for (const bend of bends) {
    const key = jumping(side, bend).join('\n');
    groups.set(key, [...(groups.get(key) ?? []), bend]);
  }
  const marks: Mark[] = [];
  const alone: Bend[] = [];
  for (const [key, group] of groups) {
    const again = { times: group.length - 1, until: group[group.length - 1]!.to };
    if (key === '' || group.length <= TOLD) alone.push(...group);
    else
      marks.push(...marksAt(group[0]!, side).map((mark) => (mark.jump === null ? mark : { ...mark, again })));
  }
  const told = alone.length <= MOST_MARKS ? alone : [...alone].sort(byJump(side)).slice(0, MOST_MARKS);
  const all = [...marks, ...told.flatMap((bend) => marksAt(bend, side))];
  return {
    marks: all.sort((a, b) => a.at - b.at || (a.line < b.line ? -1 : 1)),
    untold: { places: alone.length - told.length, atLeast: bends.length >= MOST_BENDS },
  };
}

/** Ids of the lines that jump there. */
function jumping(side: Evaluated, { from, to }: Bend): string[] {
  const [before, after] = [side.lines(from), side.lines(to)];
  return side.program.lines.filter((_, line) => {
    const [a, b] = [before[line]!, after[line]!];
    return Math.abs(b - a) > JUMP * Math.max(Math.abs(a), 1e-9);
  });
}

function byJump(side: Evaluated) {
  const jump = ({ from, to }: Bend): number => Math.abs(side.near(to) - side.near(from)) || 0;
  return (a: Bend, b: Bend): number => jump(b) - jump(a);
}

/** The own side by line, so that one sees what grows and what stays. */
function growthOf(side: Evaluated, axis: CurveAsk['axis']): Curve['growth'] {
  const at = gridOf(axis, GROWTH_POINTS);
  const rows = at.map((x) => side.lines(x));
  const names = new Map(allComponents(side.side.plan.design).map(({ id, name }) => [id, name]));
  const lines = side.program.lines.map((id, line): GrowingLine => ({
    id,
    name: names.get(id) ?? '',
    amounts: rows.map((row) => orNull(row[line]!)),
  }));
  const most = ({ amounts }: GrowingLine): number => Math.max(0, ...amounts.map((each) => each ?? 0));
  return { at, lines: lines.sort((a, b) => most(b) - most(a) || (a.id < b.id ? -1 : 1)) };
}

/**
 * Whether a line moves at all over the axis.
 *
 * @example
 * grows({ id: 'a', name: 'Web', amounts: [1, 1, 2] }); // => true
 */
export function grows({ amounts }: GrowingLine): boolean {
  const first = amounts.find((each) => each !== null) ?? 0;
  return amounts.some(
    (each) => each !== null && Math.abs(each - first) > 1e-9 * Math.max(1, Math.abs(first)),
  );
}
