/** The total by kind and by service category: sums of printed lines, so that they add up to the printed total. */
import { addAll, decimal, type Decimal } from '@/engine/base';
import { plainMoney } from '@/platform/words';
import type { Labelled, ReportLine } from './model';

/** Largest first. */
export function sharesBy(
  lines: readonly ReportLine[],
  read: (line: ReportLine) => string,
  currency: string,
): Labelled[] {
  const groups = new Map<string, Decimal[]>();
  for (const line of lines) {
    if (line.amount === null) continue;
    groups.set(read(line), [...(groups.get(read(line)) ?? []), decimal(line.amount)]);
  }
  return [...groups]
    .map(([label, values]) => ({ label, sum: addAll(values) }))
    .sort((a, b) => b.sum.comparedTo(a.sum) || (a.label < b.label ? -1 : 1))
    .map(({ label, sum }) => ({ label, value: plainMoney(sum, currency) }));
}
