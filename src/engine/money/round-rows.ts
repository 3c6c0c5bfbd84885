/** Rounding rows of money so that they add up to the rounded total (largest remainder). Source: "Numbers". */
import { addAll, Decimal } from '../base';
import { down, halfAwayFromZero } from './rounding';

/**
 * Rounds `rows` to `digits` so that they add up to `printedTotal` (by default the rounded exact sum). Each row is
 * off by less than one minor unit; rows with the largest remainders are raised first, the earlier of equals. A total
 * that is further off is shared out evenly, in as many steps as there are rows, however large it is.
 *
 * @example
 * roundRows([decimal('0.335'), decimal('0.335')], 2).map(String); // => ['0.34', '0.33']
 */
export function roundRows(rows: readonly Decimal[], digits: number, printedTotal?: Decimal): Decimal[] {
  if (rows.length === 0) return [];
  const target = printedTotal ?? halfAwayFromZero(addAll(rows), digits);
  const floors = rows.map((row) => down(row, digits));
  const steps = halfAwayFromZero(target.minus(addAll(floors)).times(`1e${digits}`), 0);
  const order = rows
    .map((row, index) => ({ index, remainder: row.minus(floors[index]!) }))
    .sort((a, b) => b.remainder.comparedTo(a.remainder) || a.index - b.index);
  const unit = new Decimal(`1e-${digits}`);
  const each = steps.dividedToIntegerBy(rows.length);
  const rest = steps.minus(each.times(rows.length)).toNumber();
  const raised = each.isZero() ? floors : floors.map((floor) => floor.plus(unit.times(each)));
  const rounded = [...raised];
  const change = (at: number, by: Decimal): void => {
    const { index } = order[at]!;
    rounded[index] = rounded[index]!.plus(by);
  };
  for (let given = 0; given < rest; given += 1) change(given, unit);
  for (let taken = 0; taken < -rest; taken += 1) change(order.length - 1 - taken, unit.negated());
  return rounded;
}
