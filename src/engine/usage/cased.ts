/** A value given for three cases: lean, likely, heavy. Given one, it is used for all. Source: "Three cases". */
import { type Decimal, decimal } from '../base';
import { entered, type EntryOf, type Figure } from '../trace';

export const CASES = ['lean', 'likely', 'heavy'] as const;
export type Case = (typeof CASES)[number];

/** Decimals as text; lean and heavy only where they differ from likely. */
export interface Cased {
  readonly likely: string;
  readonly lean?: string;
  readonly heavy?: string;
  /** What it follows: a formula over the drivers of the design. The values are what it gives. */
  readonly formula?: string;
  /** The steps of the formula; put there for pricing, never in a file. */
  readonly steps?: (which: Case) => Figure;
}

/**
 * The figure of an entry in one case: a leaf, or the steps of what it follows.
 *
 * @example
 * enteredIn({ likely: '4' }, 'likely', { label: 'Count', unit: '', input: { component: 'a', entry: 'count' } }).value.toString(); // => '4'
 */
export function enteredIn(
  value: Cased,
  which: Case,
  as: { readonly label: string; readonly unit: string; readonly input: EntryOf; readonly note?: string },
): Figure {
  if (value.steps) return value.steps(which);
  return entered(as.label, decimal(readCase(value, which)), as.unit, as.input, as.note);
}

/**
 * So many times as much, with what it follows.
 *
 * @example
 * timesCased({ likely: '4', formula: 'users / 50[user]' }, decimal('3')); // => { likely: '12', formula: '(users / 50[user]) * 3' }
 */
export function timesCased({ likely, lean, heavy, formula }: Cased, factor: Decimal): Cased {
  const times = (text: string): string => factor.times(text).toString();
  return {
    likely: times(likely),
    ...(lean === undefined ? {} : { lean: times(lean) }),
    ...(heavy === undefined ? {} : { heavy: times(heavy) }),
    ...(formula === undefined ? {} : { formula: `(${formula}) * ${factor}` }),
  };
}

/**
 * @example
 * readCase({ likely: '4', heavy: '9' }, 'lean'); // => '4'
 */
export function readCase(value: Cased, which: Case): string {
  return value[which] ?? value.likely;
}

/**
 * The same value in every case.
 *
 * @example
 * inAllCases('4'); // => { likely: '4' }
 */
export function inAllCases(likely: string): Cased {
  return { likely };
}

/**
 * Another likely value; a range that held the one before is widened to hold this one too.
 *
 * @example
 * withLikely({ lean: '3', likely: '4', heavy: '6' }, '8'); // => { likely: '8', lean: '3', heavy: '8' }
 */
export function withLikely({ lean, likely: before, heavy }: Cased, likely: string): Cased {
  const value = decimal(likely);
  const held = !isOutOfOrder({ lean, likely: before, heavy });
  const keep = (text: string | undefined, beyond: boolean): string | undefined =>
    text !== undefined && held && beyond ? likely : text;
  const low = keep(lean, lean !== undefined && value.lessThan(lean));
  const high = keep(heavy, heavy !== undefined && value.greaterThan(heavy));
  return {
    likely,
    ...(low === undefined ? {} : { lean: low }),
    ...(high === undefined ? {} : { heavy: high }),
  };
}

/**
 * Lean above likely, or likely above heavy.
 *
 * @example
 * isOutOfOrder({ lean: '5', likely: '4' }); // => true
 */
export function isOutOfOrder({ lean, likely, heavy }: Cased): boolean {
  return (
    (lean !== undefined && decimal(lean).greaterThan(likely)) ||
    (heavy !== undefined && decimal(heavy).lessThan(likely))
  );
}

/**
 * Every case that is given, changed alike; lean and heavy stay absent where they were.
 *
 * @example
 * mapCased({ likely: '4', heavy: '9' }, (text) => `${text}0`); // => { likely: '40', heavy: '90' }
 */
export function mapCased({ likely, lean, heavy }: Cased, change: (text: string) => string): Cased {
  return {
    likely: change(likely),
    ...(lean === undefined ? {} : { lean: change(lean) }),
    ...(heavy === undefined ? {} : { heavy: change(heavy) }),
  };
}

/**
 * Whether the cases may differ.
 *
 * @example
 * isRanged({ likely: '4' }); // => false
 */
export function isRanged({ lean, heavy }: Cased): boolean {
  return lean !== undefined || heavy !== undefined;
}
