/** Months in plain serialisable form. */
import type { MonthSeries } from '@/engine/analysis';
import type { MonthsAnswer } from './protocol';

export function monthsAnswer({ rows, quarters, years, whole }: MonthSeries): MonthsAnswer {
  const plain = (each: MonthSeries['whole'], calendar: string | null = null) => ({
    calendar,
    monthly: each.monthly.toString(),
    cash: each.cash.toString(),
  });
  return {
    rows: rows.map((row) => plain(row, row.calendar)),
    quarters: quarters.map((each) => plain(each)),
    years: years.map((each) => plain(each)),
    whole: plain(whole),
  };
}
