/** The total by kind and by service category, printed so that the rows add up to it. */
import { addAll, type Decimal, decimal } from '../base';
import { minorDigits, roundRows } from '../money';
import type { Labelled, ReportLine } from './model';

/** Largest first. `exact` gives the unrounded amount of a line. */
export function sharesBy(
  lines: readonly ReportLine[],
  read: (line: ReportLine) => string,
  exact: ReadonlyMap<string, Decimal>,
  total: { readonly printed: string; readonly currency: string },
): Labelled[] {
  const groups = new Map<string, Decimal[]>();
  for (const line of lines) {
    const value = exact.get(line.id);
    if (value) groups.set(read(line), [...(groups.get(read(line)) ?? []), value]);
  }
  const rows = [...groups].map(([label, values]) => ({ label, value: addAll(values) }));
  rows.sort((a, b) => b.value.comparedTo(a.value) || (a.label < b.label ? -1 : 1));
  const digits = minorDigits(total.currency);
  const printed = roundRows(
    rows.map((row) => row.value),
    digits,
    decimal(total.printed),
  );
  return rows.map(({ label }, index) => ({ label, value: printed[index]!.toFixed(digits) }));
}
