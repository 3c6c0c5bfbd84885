/**
 * Months, quarters and years as they are printed: months add up to their quarters, quarters to their years, years to
 * the whole, and the first year is what it is wherever it is printed alone.
 */
import type { Decimal } from '@/engine/base';
import { plainMoney } from '@/platform/words';
import { halfAwayFromZero, minorDigits, roundRows } from '@/engine/money';
import type { MonthAmounts, MonthSeries } from '@/engine/analysis';
import type { Report, ReportMonth } from './model';

interface Column {
  readonly months: readonly Decimal[];
  readonly quarters: readonly Decimal[];
  readonly years: readonly Decimal[];
}

export function monthRows(series: MonthSeries): Pick<Report, 'months' | 'quarters' | 'years'> {
  const { rows, currency } = series;
  const digits = minorDigits(currency);
  const compares = columnOf(series, digits, (each) => each.monthly);
  const cash = columnOf(series, digits, (each) => each.cash);
  const written = (level: keyof Column, label: (index: number) => string): ReportMonth[] =>
    compares[level].map((value, index) => ({
      label: label(index),
      compares: plainMoney(value, currency),
      cash: plainMoney(cash[level][index]!, currency),
    }));
  return {
    months: written('months', (index) => rows[index]!.calendar ?? `Month ${index + 1}`),
    quarters: written('quarters', (index) => `Quarter ${index + 1}`),
    years: written('years', (index) => `Year ${index + 1}`),
  };
}

function columnOf(series: MonthSeries, digits: number, read: (of: MonthAmounts) => Decimal): Column {
  const whole = halfAwayFromZero(read(series.whole), digits);
  const [first, ...later] = series.years.map(read);
  const firstPrinted = later.length === 0 ? whole : halfAwayFromZero(first!, digits);
  const years = [firstPrinted, ...roundRows(later, digits, whole.minus(firstPrinted))];
  const quarters = within(series.quarters.map(read), years, 4, digits);
  return { months: within(series.rows.map(read), quarters, 3, digits), quarters, years };
}

/** Rows rounded so that every `size` of them add up to their printed sum. */
function within(rows: readonly Decimal[], sums: readonly Decimal[], size: number, digits: number): Decimal[] {
  return sums.flatMap((sum, index) => {
    const own = rows.slice(index * size, index * size + size);
    return roundRows(own, digits, sum);
  });
}
