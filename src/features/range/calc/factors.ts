/**
 * From independent uniform numbers to values of the inputs. A factor is one input, or inputs that move together: entirely
 * (one number for all), or by a rank correlation (a common normal part and one of each, a Gaussian copula).
 */
import { normalFrom, normalShare, triangularAt, underRank } from './distribution';
import type { UncertainInput } from './model';
import type { MovingTogether } from '@/engine/drivers';

export interface Factor {
  readonly label: string;
  /** Places of its inputs. */
  readonly inputs: readonly number[];
  readonly rank: number;
  /** Its uniform numbers: from here, so many. */
  readonly from: number;
  readonly numbers: number;
}

/**
 * Groups first, then each input that is in none. An input counts in the first group that names it.
 *
 * @example
 * factorsOf([{ component: 'a', entry: 'count', label: 'Count', unit: '', lean: 1, likely: 2, heavy: 3, whole: true, known: null }], [])[0]!.numbers; // => 1
 */
export function factorsOf(inputs: readonly UncertainInput[], together: readonly MovingTogether[]): Factor[] {
  const free = new Set(inputs.map((_, at) => at));
  const factors: Factor[] = [];
  let from = 0;
  const add = (label: string, places: readonly number[], rank: number): void => {
    const whole = places.length === 1 || rank >= 1;
    const numbers = whole ? 1 : 2 * (places.length + 1);
    factors.push({ label, inputs: places, rank, from, numbers });
    from += numbers;
  };
  for (const { name, rank, inputs: named } of together) {
    const places = named.flatMap(({ component, entry }) => {
      const at = inputs.findIndex((each) => each.component === component && each.entry === entry);
      return at >= 0 && free.has(at) ? [at] : [];
    });
    for (const at of places) free.delete(at);
    if (places.length > 0) add(places.length === 1 ? inputs[places[0]!]!.label : name, places, Number(rank));
  }
  for (const at of free) add(inputs[at]!.label, [at], 1);
  return factors;
}

/**
 * @example
 * numbersOf([]); // => 0
 */
export function numbersOf(factors: readonly Factor[]): number {
  return factors.reduce((sum, { numbers }) => sum + numbers, 0);
}

/**
 * Writes the values of one draw into `values`.
 *
 * @example
 * const inputs = [{ component: 'a', entry: 'count', label: 'Count', unit: '', lean: 0, likely: 1, heavy: 2, whole: false, known: null }];
 * const values = new Float64Array(1);
 * drawInto(values, inputs, factorsOf(inputs, []), [0.5]);
 * values[0]; // => 1
 */
export function drawInto(
  values: Float64Array,
  inputs: readonly UncertainInput[],
  factors: readonly Factor[],
  uniform: ArrayLike<number>,
): void {
  const put = (at: number, share: number): void => {
    const input = inputs[at]!;
    const value = triangularAt(input, share);
    values[at] = input.whole ? Math.round(value) : value;
  };
  for (const { inputs: places, rank, from, numbers } of factors) {
    if (numbers === 1) {
      for (const at of places) put(at, uniform[from]!);
      continue;
    }
    const common = underRank(rank);
    const shared = normalFrom(uniform[from]!, uniform[from + 1]!);
    places.forEach((at, index) => {
      const own = normalFrom(uniform[from + 2 * index + 2]!, uniform[from + 2 * index + 3]!);
      put(at, normalShare(Math.sqrt(common) * shared + Math.sqrt(1 - common) * own));
    });
  }
}
