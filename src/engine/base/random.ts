/**
 * Seeded random numbers (small fast counter generator, 32-bit state mixing). The seed is part of every result that
 * uses it, so that a run can be repeated to the digit.
 */
export interface Random {
  /** Uniform in [0, 1). */
  next(): number;
  /** Whole number in [low, high]. */
  whole(low: number, high: number): number;
  pick<T>(values: readonly T[]): T;
}

/**
 * @example
 * seededRandom('harbour').whole(1, 6) === seededRandom('harbour').whole(1, 6); // => true
 */
export function seededRandom(seed: string): Random {
  let state = 2166136261;
  for (const character of seed) state = Math.imul(state ^ character.charCodeAt(0), 16777619);
  const next = (): number => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
  const whole = (low: number, high: number): number => low + Math.floor(next() * (high - low + 1));
  return {
    next,
    whole,
    pick: (values) => {
      if (values.length === 0) throw new Error('pick from an empty list');
      return values[whole(0, values.length - 1)]!;
    },
  };
}
