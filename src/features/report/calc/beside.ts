/** What stands beside a design in its report: its alternatives, and whole axes, as the tables that leave the house anyway. */
import { createAlternator } from '@/features/compare/calc/alternatives';
import { axisOf } from '@/features/compare/calc/axes';
import { compareDesign, OWN_SIDE } from '@/features/compare/calc/comparison';
import type { Design } from '@/engine/design';
import { axisTable, comparisonTable } from '@/features/compare/words';
import { type FlatTable } from '@/platform/tables';
import { type PlaceNames } from '@/features/design/words';
import { answerKept, type KeptAnswer, keptBeside } from '@/features/saved-questions/calc';
import { type BookSet, createPricer, planOf } from '@/engine/pricing';
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

/**
 * What was kept with the design, answered from it and those of its alternatives that stand beside it there.
 *
 * @example
 * keptAnswers(design, books); // => []
 */
export function keptAnswers(design: Design, books: BookSet): KeptAnswer[] {
  const { kept = [] } = design.assumptions;
  if (kept.length === 0) return [];
  const { alternatives = [], ...own } = design;
  const pricer = createPricer(books);
  const plan = pricer.plan(own);
  const wanted = new Set(keptBeside(kept));
  const alternator = createAlternator(books, pricer);
  const sides = [
    { id: null, name: OWN_SIDE, plan },
    ...alternatives
      .filter(({ id }) => wanted.has(id))
      .map((each) => {
        const made = alternator.apply(design, each);
        return { id: each.id, name: each.name, plan: pricer.plan(made.design, plan) };
      }),
  ];
  return kept.map((each) => answerKept(each, sides));
}
