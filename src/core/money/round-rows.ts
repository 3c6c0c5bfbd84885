/** Rounding rows of money so that they add up to the rounded total (largest remainder). Source: "Numbers". */
import { addAll, Decimal } from '../base';
import { down, halfAwayFromZero } from './rounding';

/**
 * Rounds `rows` to `digits` so that they add up to `printedTotal` (by default the rounded exact sum). Each row is
 * off by less than one minor unit; rows with the largest remainders are raised first, the earlier of equals.
 */
export function roundRows(rows: readonly Decimal[], digits: number, printedTotal?: Decimal): Decimal[] {
  if (rows.length === 0) return [];
  const target = printedTotal ?? halfAwayFromZero(addAll(rows), digits);
  const floors = rows.map((row) => down(row, digits));
  const step = halfAwayFromZero(target.minus(addAll(floors)).times(`1e${digits}`), 0).toNumber();
  const order = rows
    .map((row, index) => ({ index, remainder: row.minus(floors[index]!) }))
    .sort((a, b) => b.remainder.comparedTo(a.remainder) || a.index - b.index);
  const unit = new Decimal(`1e-${digits}`);
  const rounded = [...floors];
  for (let given = 0; given < step; given += 1) {
    const { index } = order[given % order.length]!;
    rounded[index] = rounded[index]!.plus(unit);
  }
  for (let taken = 0; taken < -step; taken += 1) {
    const { index } = order[order.length - 1 - (taken % order.length)]!;
    rounded[index] = rounded[index]!.minus(unit);
  }
  return rounded;
}
