/** A year of bills as printed rows: in each column the services add up to the printed total. */
import { addAll, decimal } from '@/engine/base';
import { halfAwayFromZero, minorDigits, roundRows } from '@/engine/money';

export interface YearRow {
  readonly name: string;
  /** Null: nothing of it is in the bill. */
  readonly amounts: readonly (string | null)[];
  readonly sum: string;
}

/**
 * `totals`: of each column, exact. The sum of a row is that of its printed amounts.
 *
 * @example
 * const rows = [{ name: 'a', amounts: ['0.335', '1'] }, { name: 'b', amounts: ['0.335', null] }];
 * yearRows(rows, ['0.67', '1'], 'USD').map(({ amounts, sum }) => [amounts, sum]); // => [[['0.34', '1'], '1.34'], [['0.33', null], '0.33']]
 */
export function yearRows(
  rows: readonly { readonly name: string; readonly amounts: readonly (string | null)[] }[],
  totals: readonly string[],
  currency: string,
): YearRow[] {
  const digits = minorDigits(currency);
  const printed = totals.map((total, column) => {
    const own = rows.map(({ amounts }) => decimal(amounts[column] ?? '0'));
    return roundRows(own, digits, halfAwayFromZero(decimal(total), digits));
  });
  return rows.map(({ name, amounts }, at) => {
    const row = amounts.map((amount, column) => (amount === null ? null : printed[column]![at]!));
    return {
      name,
      amounts: row.map((amount) => amount?.toString() ?? null),
      sum: addAll(row.flatMap((amount) => (amount ? [amount] : []))).toString(),
    };
  });
}
