/** A flat table as CSV: plain decimals with the currency's digits; text that a spreadsheet would take for a formula is defused. */
import { stringify } from 'csv-stringify/sync';
import { Decimal } from '@/core/base';
import type { FlatCell, FlatTable } from '@/core/display';
import { minorDigits } from '@/core/money';

export function flatTableCsv({ head, rows, currency }: FlatTable): string {
  const digits = minorDigits(currency);
  const text = (cell: FlatCell): string =>
    typeof cell === 'string'
      ? cell.replaceAll('\u00a0', ' ')
      : 'money' in cell
        ? new Decimal(cell.money).toFixed(digits)
        : 'number' in cell
          ? cell.number
          : cell.share;
  const all = [
    ['Level', ...head, 'BillingCurrency'],
    ...rows.map(({ level, cells }) => [level, ...cells.map(text), currency]),
  ];
  // A difference may begin with a minus; it is a number, and only text is defused.
  const isAmount = /^-?\d+(\.\d+)?$/;
  return stringify(all, {
    record_delimiter: 'windows',
    cast: {
      string: (value) => (isAmount.test(value) ? value : { value, escape_formulas: true }),
    },
  });
}
