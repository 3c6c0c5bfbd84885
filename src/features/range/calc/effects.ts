/**
 * What explains the spread. First-order and total effects of each factor on the variance of the month, by the estimators
 * of Saltelli et al. (2010) and Jansen (1999) over two independent sets of draws. And one at a time: each input from lean
 * to heavy with all others likely, exact. Needs U2, U4.
 */
import { seededRandom } from '@/engine/base';
import type { Figure } from '@/engine/trace';
import { drawInto } from './factors';
import type { Effect, EffectsAnswer, Swing, SwingsAnswer } from './model';
import type { Simulation } from './simulation';

const METHOD = 'first-order effects after Saltelli (2010), total effects after Jansen (1999)';

/** How many draws a set has, and about how many milliseconds all of them may take. */
const WHOLE = 2048;
const LEAST = 64;
const MOST_WEIGHT = 4000;

/**
 * Two sets of `base` draws and one more for each factor: base × (factors + 2) prices.
 *
 * @example
 * effectsOf(new Simulation(plan, 'seed', 100), 64).effects; // => []
 */
export function effectsOf(simulation: Simulation, base: number): EffectsAnswer {
  const { inputs, factors, program, seed } = simulation;
  const random = seededRandom(`${seed}, effects`);
  const width = factors.reduce((sum, { numbers }) => sum + numbers, 0);
  const sets = Array.from({ length: 2 * base }, () =>
    Float64Array.from({ length: width }, () => random.next()),
  );
  const values = new Float64Array(inputs.length);
  const price = (uniform: ArrayLike<number>): number => {
    drawInto(values, inputs, factors, uniform);
    return program.run(values);
  };
  const [first, second] = [sets.slice(0, base), sets.slice(base)];
  const [a, b] = [first.map(price), second.map(price)];
  const known = a.flatMap((each, draw) => (Number.isNaN(each) || Number.isNaN(b[draw]!) ? [] : [draw]));
  const all = known.flatMap((draw) => [a[draw]!, b[draw]!]);
  const mean = all.reduce((sum, each) => sum + each, 0) / Math.max(1, all.length);
  const variance = all.reduce((sum, each) => sum + (each - mean) ** 2, 0) / Math.max(1, all.length - 1);
  const deviation = Math.sqrt(variance);
  const sorted = [...all].sort((x, y) => x - y);
  const at = (share: number): number => sorted[Math.round(share * (sorted.length - 1))] ?? 0;
  const spread = at(0.9) - at(0.1);
  const mixed = new Float64Array(width);
  const effects = factors.map(({ label, inputs: places, from, numbers }): Effect => {
    let [ofFirst, ofTotal, counted] = [0, 0, 0];
    for (const draw of known) {
      mixed.set(first[draw]!);
      for (let number = from; number < from + numbers; number += 1) mixed[number] = second[draw]![number]!;
      const there = price(mixed);
      if (Number.isNaN(there)) continue;
      // The mean is taken off: the estimator is the same, and steadier.
      ofFirst += (b[draw]! - mean) * (there - a[draw]!);
      ofTotal += (a[draw]! - there) ** 2;
      counted += 1;
    }
    const share = (sum: number): number => (variance > 0 && counted > 0 ? sum / counted / variance : 0);
    const explained = Math.min(1, Math.max(0, share(ofFirst)));
    return {
      label,
      inputs: places,
      first: explained,
      total: Math.max(0, share(ofTotal / 2)),
      money: Math.sqrt(explained) * deviation,
      widthThen: spread * Math.sqrt(1 - explained),
    };
  });
  return {
    method: METHOD,
    base,
    width: spread,
    effects: effects.sort((x, y) => y.first - x.first || y.total - x.total || (x.label < y.label ? -1 : 1)),
  };
}

/**
 * How many draws a set of the effects has, a power of two: fewer where there are many factors, or where a draw takes long.
 * By what is in the design and not by the clock, so that every machine finds the same effects.
 *
 * @example
 * baseFor({ factors: [], weight: 0.01 }); // => 2048
 */
export function baseFor({ factors, weight }: Pick<Simulation, 'factors' | 'weight'>): number {
  let base = WHOLE;
  while (base > LEAST && base * (factors.length + 2) * weight > MOST_WEIGHT) base /= 2;
  return base;
}

/**
 * Whether the effects are worked out within about as long as a report waits for them; else the screen does it.
 *
 * @example
 * effectsAreQuick({ factors: [], weight: 0.01 }); // => true
 */
export function effectsAreQuick(simulation: Pick<Simulation, 'factors' | 'weight'>): boolean {
  return baseFor(simulation) * (simulation.factors.length + 2) * simulation.weight <= MOST_WEIGHT;
}

/**
 * @example
 * swingsOf(new Simulation(plan, 'seed', 10)).likely; // => '146'
 */
export function swingsOf({ inputs, program }: Simulation): SwingsAnswer {
  const likely = inputs.map((input) => input.likely);
  const stands = program.exact(likely);
  const amount = (at: number, value: number): string | null => {
    const priced = program.exact(likely.map((each, index) => (index === at ? value : each)));
    return priced.unpriced > stands.unpriced ? null : textOf(priced.monthly);
  };
  const swings = inputs.map(({ lean, heavy }, input): Swing => ({
    input,
    atLean: amount(input, lean),
    atHeavy: amount(input, heavy),
  }));
  const wide = ({ atLean, atHeavy }: Swing): number => Math.abs(Number(atHeavy ?? 0) - Number(atLean ?? 0));
  return {
    likely: textOf(stands.monthly),
    swings: swings.sort((x, y) => wide(y) - wide(x) || x.input - y.input),
  };
}

const textOf = ({ value }: Figure): string => value.toString();
