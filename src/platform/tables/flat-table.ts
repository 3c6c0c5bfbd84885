/** A table as plain text and amounts: what every form that leaves the house is written from. */
import { writeMoney, writeNumber, writeShare } from '@/platform/words';

/** `money`: a plain decimal, rounded to the currency; `share`: one of a whole, 0.1 is ten per cent; `number`: a quantity. */
export type FlatCell =
  string | { readonly money: string } | { readonly share: string } | { readonly number: string };

/**
 * A cell as people read it.
 *
 * @example
 * flatCellText({ money: '34.5' }, 'USD'); // => '34.50'
 */
export function flatCellText(cell: FlatCell, currency: string): string {
  if (typeof cell === 'string') return cell;
  if ('number' in cell) return writeNumber(cell.number);
  return 'money' in cell ? writeMoney(cell.money, currency) : writeShare(cell.share);
}

export interface FlatRow {
  readonly level: 'group' | 'line' | 'total';
  readonly cells: readonly FlatCell[];
}

export interface FlatTable {
  readonly title: string;
  readonly answer: string;
  readonly currency: string;
  readonly head: readonly string[];
  readonly rows: readonly FlatRow[];
  /** Groups and totals are no sums of their lines: quantiles are not. */
  readonly noSums?: true;
  /** What has to be known of it: what each side differs in, what it lacks, what was held equal. */
  readonly notes: readonly { readonly title: string; readonly lines: readonly string[] }[];
}
