/** What stands beside a design in its report: its alternatives, and whole axes, as the tables that leave the house anyway. */
import { axisOf } from '../axes';
import { compareDesign } from '../comparison';
import type { Design } from '../design';
import { axisTable, comparisonTable, type FlatTable, type PlaceNames } from '../display';
import { type BookSet, planOf } from '../pricing';
import type { Beside } from './model';

/**
 * In the order in which they are asked for; alternatives of a design without any are none.
 *
 * @example
 * besideTables(design, books, ['paying'], { book: (key) => key, region: (_, code) => code })[0]?.head[0]; // => 'What'
 */
export function besideTables(
  design: Design,
  books: BookSet,
  beside: readonly Beside[],
  names: PlaceNames,
): FlatTable[] {
  const { alternatives = [], ...own } = design;
  return beside.flatMap((each) => {
    if (each !== 'alternatives') {
      return axisTable(axisOf(each, planOf(own, books), { of: 'all' }), design, 'the design');
    }
    return alternatives.length === 0 ? [] : comparisonTable(compareDesign(design, books), design, names);
  });
}
