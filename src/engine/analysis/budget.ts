/**
 * The load at which a month costs what it may cost: by how much traffic has to grow, everything else as it is. Found by
 * halving, because minimums, steps and pools leave no formula to turn round. Need: assumptions, budget.
 */
import { type Decimal, decimal, ONE } from '../base';
import type { DesignPlan } from '../pricing';

/** Loads that are looked at: from nothing to so many times. */
const MOST = 1000;
const STEPS = 24;

export type BudgetAnswer =
  /** `times` the load of now; less than one: it is crossed already. */
  | { readonly crossed: 'at'; readonly times: Decimal }
  /** Not even a thousandfold load gets there, or what is fixed costs more already. */
  | { readonly crossed: 'never' | 'without-load' };

/**
 * Null: no budget is stated.
 *
 * @example
 * loadAtBudget(planOf({ ...design, assumptions: { ...design.assumptions, budget: '100' } }, books))?.crossed; // => 'without-load'
 */
export function loadAtBudget(plan: DesignPlan): BudgetAnswer | null {
  const { budget } = plan.design.assumptions;
  if (budget === undefined) return null;
  const limit = decimal(budget);
  const cost = (load: Decimal): Decimal => plan.pricer.price(plan, { case: 'likely', load }).monthly.value;
  let [low, high] = [decimal('0'), decimal(String(MOST))];
  if (cost(low).greaterThan(limit)) return { crossed: 'without-load' };
  if (cost(high).lessThanOrEqualTo(limit)) return { crossed: 'never' };
  // Up in doublings first: what is asked is rarely a thousandfold.
  for (let times = ONE; times.lessThan(high); times = times.times(2)) {
    if (cost(times).greaterThan(limit)) high = times;
    else low = times;
  }
  for (let step = 0; step < STEPS; step += 1) {
    const middle = low.plus(high).dividedBy(2);
    if (cost(middle).greaterThan(limit)) high = middle;
    else low = middle;
  }
  return { crossed: 'at', times: low };
}
