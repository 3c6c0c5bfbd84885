/** The wick of an amount: its range over the three cases, least first. Source: pricing rules, "Three cases". */
import { Decimal } from '../base';
import type { PricedDesign, PricedLine } from '../pricing';
import type { Case } from '../usage';

export interface Wick {
  readonly low: Decimal;
  readonly likely: Decimal;
  readonly high: Decimal;
}

/**
 * Low and high over all three, so that a case that turns out cheaper than lean is still inside.
 *
 * @example
 * wickOver({ lean: decimal('3'), likely: decimal('2'), heavy: decimal('5') }).low.toString(); // => '2'
 */
export function wickOver(values: Readonly<Record<Case, Decimal>>): Wick {
  const { lean, likely, heavy } = values;
  return { low: Decimal.min(lean, likely, heavy), likely, high: Decimal.max(lean, likely, heavy) };
}

/**
 * As it is shown: likely is the printed amount of its row, and so is an end that equals it. One amount, one number.
 *
 * @example
 * printedWick({ low: decimal('1'), likely: decimal('2.004'), high: decimal('3') }, decimal('2')).likely.toString(); // => '2'
 */
export function printedWick({ low, likely, high }: Wick, printed: Decimal): Wick {
  const shown = (value: Decimal): Decimal => (value.equals(likely) ? printed : value);
  return { low: shown(low), likely: printed, high: shown(high) };
}

/**
 * The wick of one component; null where a case has no amount.
 *
 * @example
 * const { lean, likely, heavy } = casesOf(plan);
 * wickOfLine({ lean: lean.sections[0]!.lines[0]!, likely: likely.sections[0]!.lines[0]!, heavy: heavy.sections[0]!.lines[0]! })?.high.toString(); // => '146'
 */
export function wickOfLine(cases: Readonly<Record<Case, PricedLine>>): Wick | null {
  const { lean, likely, heavy } = cases;
  if (lean.status !== 'priced' || likely.status !== 'priced' || heavy.status !== 'priced') return null;
  return wickOver({ lean: lean.monthly.value, likely: likely.monthly.value, heavy: heavy.monthly.value });
}

/**
 * @example
 * wickOfDesign(casesOf(plan)).high.toString(); // => '146'
 */
export function wickOfDesign(cases: Readonly<Record<Case, PricedDesign>>): Wick {
  return wickOver({
    lean: cases.lean.monthly.value,
    likely: cases.likely.monthly.value,
    heavy: cases.heavy.monthly.value,
  });
}
