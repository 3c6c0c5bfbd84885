/** A value given for three cases: lean, likely, heavy. Given one, it is used for all. Source: "Three cases". */
import { decimal } from '../base';

export const CASES = ['lean', 'likely', 'heavy'] as const;
export type Case = (typeof CASES)[number];

/** Decimals as text; lean and heavy only where they differ from likely. */
export interface Cased {
  readonly likely: string;
  readonly lean?: string;
  readonly heavy?: string;
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
