/**
 * Where the cheapest changes: found by halving between two places at which it is another, to one part in ten thousand,
 * and held against the exact amounts on both sides. Source: pricing rules, "Load curves".
 */
import type { Evaluated } from './evaluated';
import type { Crossing, Stretch } from './model';

const NEAR = 1e-4;
const BESIDE = 1e-3;
/** Ties within the hair of doubles stay with who was cheapest before. */
const HAIR = 1e-9;

export class Cheapest {
  constructor(
    private readonly sides: readonly Evaluated[],
    /** Sides that may be the cheapest: those that lack nothing. */
    private readonly eligible: readonly number[],
  ) {}

  /** Null: no side has an amount. */
  at(x: number, before: number | null = null): number | null {
    let best: number | null = null;
    let least = Infinity;
    for (const side of this.eligible) {
      const amount = this.sides[side]!.near(x);
      if (amount < least) [best, least] = [side, amount];
    }
    if (best === null || before === null || before === best) return best;
    const held = this.sides[before]!.near(x);
    return held - least <= HAIR * Math.max(1, Math.abs(least)) ? before : best;
  }

  over(grid: readonly number[]): { crossings: Crossing[]; stretches: Stretch[] } {
    const crossings: Crossing[] = [];
    const stretches: Stretch[] = [];
    let from = grid[0]!;
    let holds = this.at(from);
    for (let step = 1; step < grid.length; step += 1) {
      let left = grid[step - 1]!;
      const end = grid[step]!;
      while (this.at(end, holds) !== holds) {
        const [low, high] = this.halved(left, end, holds);
        const next = this.at(high, holds);
        stretches.push({ from, to: high, cheapest: holds });
        if (holds !== null && next !== null) crossings.push(this.crossing(low, high, holds, next));
        [from, left, holds] = [high, high, next];
      }
    }
    stretches.push({ from, to: grid[grid.length - 1]!, cheapest: holds });
    return { crossings, stretches };
  }

  /** The narrow place at which it is no longer the cheapest. */
  private halved(from: number, to: number, holds: number | null): [number, number] {
    let [low, high] = [from, to];
    while (high - low > NEAR * Math.max(Math.abs(low), (to - from) * NEAR)) {
      const middle = (low + high) / 2;
      if (middle <= low || middle >= high) break;
      if (this.at(middle, holds) === holds) low = middle;
      else high = middle;
    }
    return [low, high];
  }

  private crossing(low: number, high: number, below: number, above: number): Crossing {
    const at = (low + high) / 2;
    const amount = this.sides[above]!.exact(at) ?? this.sides[below]!.exact(at);
    return { at, below, above, amount: amount?.toString() ?? '0' };
  }
}

/** Whether the exact amounts agree: a thousandth before it the one costs no more, a thousandth after it the other. */
export function crossingHolds(crossing: Crossing, sides: readonly Evaluated[]): boolean {
  const { at, below, above } = crossing;
  const cost = (side: number, x: number) => sides[side]!.exact(x);
  const [left, right] = [at * (1 - BESIDE), at * (1 + BESIDE)];
  const [a, b] = [cost(below, left), cost(above, left)];
  const [c, d] = [cost(below, right), cost(above, right)];
  return !!a && !!b && !!c && !!d && !a.greaterThan(b) && !d.greaterThan(c);
}
