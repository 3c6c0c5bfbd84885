/** The axes of a design, a section or some lines. Source: product description, "Comparing". */
import { type Alternator } from '../alternatives';
import { assertNever } from '@/engine/base';
import type { PriceBook } from '@/engine/books';
import type { Component, Scope } from '@/engine/design';
import { type DesignPlan, pinnedBooks } from '@/engine/pricing';
import { Asking, ranked } from './asking';
import type { Axis, AxisAnswer, AxisRow } from './model';
import { formRows, payingRows } from './paying-and-forms';
import { providerRows, regionRows } from './places';
import { sizeRows } from './sizes';

/** Axes that are of one line only. */
export const OF_ONE_LINE: readonly Axis[] = ['sizes', 'forms'];

/**
 * `books` are those that the design pins, as far as places of others are asked about. Sizes and forms are those of the
 * first line that is asked about; empty where it has none.
 *
 * @example
 * axisOf('sizes', plan, { of: 'all' }).rows.map(({ label, now }) => [label, now])[0]; // => ['a-2', false]
 */
export function axisOf(axis: Axis, plan: DesignPlan, what: Scope, alternator?: Alternator): AxisAnswer {
  const asking = new Asking(plan, what, alternator);
  const rows = rowsOf(axis, asking, what);
  return { axis, currency: plan.design.currency, rows: axis === 'sizes' ? rows : ranked(rows) };
}

function rowsOf(axis: Axis, asking: Asking, what: Scope): AxisRow[] {
  const { plan, design } = asking;
  const bookOf = pinnedBooks(design, plan.pricer.books);
  const books = design.books.flatMap(({ book }): PriceBook[] => {
    const found = bookOf(book);
    return found ? [found] : [];
  });
  switch (axis) {
    case 'regions':
      return regionRows(asking, what, books);
    case 'providers':
      return providerRows(asking, what, books);
    case 'paying':
      return payingRows(asking, what);
    case 'sizes':
      return ofLine(asking, bookOf, sizeRows);
    case 'forms':
      return ofLine(asking, bookOf, formRows);
    default:
      return assertNever(axis);
  }
}

function ofLine(
  asking: Asking,
  bookOf: (key: string) => PriceBook | undefined,
  rows: (asking: Asking, line: Component, book: PriceBook) => AxisRow[],
): AxisRow[] {
  const [line] = asking.lines;
  const book = line?.place ? bookOf(line.place.book) : undefined;
  return line && book ? rows(asking, line, book) : [];
}
