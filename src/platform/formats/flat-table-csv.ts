/** A flat table as CSV: plain decimals with the currency's digits; text that a spreadsheet would take for a formula is defused. */
import { stringify } from 'csv-stringify/sync';
import { Decimal } from '@/engine/base';
import type { FlatCell, FlatTable } from '@/platform/tables';
import { minorDigits } from '@/engine/money';
import { defused } from './defused';

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
  return stringify(all, { record_delimiter: 'windows', cast: { string: defused } });
}
