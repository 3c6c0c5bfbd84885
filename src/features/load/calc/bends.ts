/**
 * Where a curve jumps or turns: tiers, started units, ends of allowances. Between two places a line is straight unless
 * something happens; halving leads to it. A curve that bends everywhere (a product of two drivers) has no such place.
 */

export interface Bend {
  /** It lies between these two. */
  readonly from: number;
  readonly to: number;
}

export interface BendOptions {
  /** Of the height of the curve: less than this is no bend. */
  readonly hair: number;
  /** So near, as a share of the place, or of the range around zero. */
  readonly near: number;
  readonly most: number;
}

/** Halvings in a row after which it counts as a smooth curve. */
const SMOOTH_AFTER = 3;
const SHRINKS = 0.4;

/** Places between two others: not the middle, where even steps meet their line. */
const BETWEEN = [0.381966, 0.723607];

/**
 * @example
 * findBends((x) => Math.ceil(x / 10), [1, 7, 14], { hair: 1e-9, near: 1e-3, most: 9 }).map(({ from, to }) => from <= 10 && to > 10); // => [true]
 */
export function findBends(
  amount: (x: number) => number,
  grid: readonly number[],
  { hair, near, most }: BendOptions,
): Bend[] {
  const found: Bend[] = [];
  const range = grid[grid.length - 1]! - grid[0]!;
  /** How far what lies between is from the straight line; NaN: one of the places has no amount. */
  const deviation = (from: number, to: number, parts: readonly number[] = BETWEEN): number => {
    const [first, last] = [amount(from), amount(to)];
    let most = 0;
    for (const part of parts) {
      const there = amount(from + (to - from) * part);
      if (Number.isNaN(there) && Number.isNaN(first) && Number.isNaN(last)) continue;
      const by = Math.abs(there - first - (last - first) * part);
      if (Number.isNaN(by)) return by;
      most = Math.max(most, by);
    }
    return most;
  };
  const bends = (by: number): boolean => Number.isNaN(by) || by > hair;
  const look = (from: number, to: number, by: number, smooth: number): void => {
    if (found.length >= most) return;
    const width = to - from;
    if (width <= near * Math.max(Math.abs(from), range * near)) {
      const last = found[found.length - 1];
      if (last && from - last.to <= width) found[found.length - 1] = { from: last.from, to };
      else found.push({ from, to });
      return;
    }
    const middle = (from + to) / 2;
    const [left, right] = [deviation(from, middle), deviation(middle, to)];
    if (bends(left) && bends(right)) {
      // A smooth curve comes four times as near to its line with each halving; steps do not.
      const next = Math.max(left, right) < SHRINKS * by ? smooth + 1 : 0;
      if (next >= SMOOTH_AFTER) return;
      look(from, middle, left, next);
      look(middle, to, right, next);
    } else if (bends(left)) look(from, middle, left, 0);
    else if (bends(right)) look(middle, to, right, 0);
    // Both halves are straight: the turn is in the middle itself.
    else found.push({ from: middle - width * near, to: middle + width * near });
  };
  for (let at = 1; at < grid.length; at += 1) {
    const [from, to] = [grid[at - 1]!, grid[at]!];
    // One place, by turns, tells a straight stretch; where it does not, both are looked at.
    if (!bends(deviation(from, to, [BETWEEN[at % 2]!]))) continue;
    look(from, to, deviation(from, to), 0);
  }
  return found;
}
