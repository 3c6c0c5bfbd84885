/** A design beside its alternatives, from the design and its books alone: each side made and priced, with shared work. */
import { createAlternator } from '../alternatives';
import type { Alternative, Design } from '@/engine/design';
import { type BookSet, createPricer } from '@/engine/pricing';
import { summaryOfPlan } from '@/engine/summary';
import { comparisonOf } from './compare';
import type { Comparison, GroupBy } from './model';
import type { PricedColumn } from './side';

/** What the design itself is called among its alternatives. */
export const OWN_SIDE = 'The design';

/**
 * `chosen`: those of its alternatives that stand beside it.
 *
 * @example
 * compareDesign(design, books).columns.map(({ name }) => name); // => ['The design']
 */
export function compareDesign(
  design: Design,
  books: BookSet,
  by: GroupBy = 'section',
  chosen: readonly Alternative[] = design.alternatives ?? [],
): Comparison {
  const { alternatives: _, ...own } = design;
  const pricer = createPricer(books);
  const alternator = createAlternator(books, pricer);
  const plan = pricer.plan(own);
  const columns: PricedColumn[] = [
    {
      ...{ id: null, name: OWN_SIDE, note: '', changes: [], outcomes: [] },
      ...{ design: own, summary: summaryOfPlan(plan) },
    },
    ...chosen.map((each): PricedColumn => {
      const made = alternator.apply(design, each);
      return { ...each, ...made, summary: summaryOfPlan(pricer.plan(made.design, plan)) };
    }),
  ];
  return comparisonOf(columns, books, by);
}
