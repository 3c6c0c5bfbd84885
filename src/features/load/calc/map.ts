/** Two things that vary: which side costs least where. Every cell is priced at its own place. */
import { MixedProgram, type Varied } from '@/engine/program';
import type { DesignPlan } from '@/engine/pricing';
import { gridOf } from './grid';
import type { Axis1 } from './model';

export interface MapSide {
  readonly id: string | null;
  readonly name: string;
  readonly plan: DesignPlan;
  /** What varies along the first axis, and along the second. */
  readonly varied: readonly [Varied, Varied];
}

export interface LoadMap {
  readonly across: Axis1;
  readonly up: Axis1;
  readonly sides: readonly { readonly id: string | null; readonly name: string }[];
  readonly x: readonly number[];
  readonly y: readonly number[];
  /** Row by row from the lowest `y`: the place of the cheapest side; -1: none has an amount. */
  readonly cheapest: readonly number[];
  /** By how much the next costs more, as a share of the cheapest; 0 where there is no other. */
  readonly lead: readonly number[];
  /** Row by row: where along it another side becomes the cheapest, to a thousandth of the place; rising. */
  readonly borders: readonly (readonly Border[])[];
}

export interface Border {
  readonly at: number;
  /** Places among the sides; -1: none has an amount. */
  readonly below: number;
  readonly above: number;
}

const NEAR = 1e-4;

/**
 * @example
 * const count = { component: 'a', entry: 'count', low: 1, high: 9, now: 2, whole: true };
 * const axis = { title: 'Servers', unit: '', from: 1, to: 9, scale: 'linear', now: [] };
 * loadMap([{ id: null, name: 'Design', plan, varied: [count, { ...count, entry: 'none' }] }], axis, axis, 3).cheapest.length; // => 9
 */
export function loadMap(sides: readonly MapSide[], across: Axis1, up: Axis1, points: number): LoadMap {
  const programs = sides.map(({ plan, varied }) => new MixedProgram(plan, varied));
  const [x, y] = [gridOf(across, points), gridOf(up, points)];
  const cheapest: number[] = [];
  const lead: number[] = [];
  for (const high of y) {
    for (const wide of x) {
      const costs = programs.map((program) => program.run([wide, high]));
      const best = cheapestOf(costs);
      cheapest.push(best);
      const others = costs.filter((cost, side) => side !== best && !Number.isNaN(cost));
      lead.push(
        best < 0 || others.length === 0 || costs[best] === 0 ? 0 : Math.min(...others) / costs[best]! - 1,
      );
    }
  }
  const borders = y.map((high, row) =>
    bordersOf(x, cheapest.slice(row * x.length, (row + 1) * x.length), (wide) =>
      cheapestOf(programs.map((program) => program.run([wide, high]))),
    ),
  );
  return { across, up, sides: sides.map(({ id, name }) => ({ id, name })), x, y, cheapest, lead, borders };
}

function cheapestOf(costs: readonly number[]): number {
  let best = -1;
  costs.forEach((cost, side) => {
    if (!Number.isNaN(cost) && (best < 0 || cost < costs[best]!)) best = side;
  });
  return best;
}

/** Between two places with another cheapest, halved until it is near; a third one between them is found, too. */
function bordersOf(x: readonly number[], row: readonly number[], at: (wide: number) => number): Border[] {
  return row
    .slice(1)
    .flatMap((above, column) => between(x[column]!, row[column]!, x[column + 1]!, above, at));
}

function between(
  from: number,
  below: number,
  to: number,
  above: number,
  at: (wide: number) => number,
): Border[] {
  if (below === above) return [];
  let [low, high] = [from, to];
  while (high - low > NEAR * Math.abs(high)) {
    const middle = (low + high) / 2;
    const there = at(middle);
    if (there === below) low = middle;
    else if (there === above) high = middle;
    else return [...between(low, below, middle, there, at), ...between(middle, there, high, above, at)];
  }
  return [{ at: high, below, above }];
}
