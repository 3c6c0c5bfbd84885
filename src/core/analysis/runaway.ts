/**
 * What a month would cost if nothing stopped the traffic: every meter that follows it, so many times. A frightening
 * figure on purpose, to cap or to watch; what has a ceiling shows that it holds. Need H19.
 */
import { type Decimal } from '../base';
import { type DesignPlan, monthlyOf } from '../pricing';

export interface RunawayRow {
  readonly id: string;
  /** The likely month of the line, as planned and under the load. */
  readonly now: Decimal;
  readonly then: Decimal;
}

export interface Runaway {
  readonly now: Decimal;
  readonly then: Decimal;
  /** Only lines that differ, the dearest difference first; their differences add up to that of the design. */
  readonly rows: readonly RunawayRow[];
}

/**
 * `times` is above zero; below one it tells what a quiet month costs.
 *
 * @example
 * runaway(plan, decimal('10')).rows; // => []
 */
export function runaway(plan: DesignPlan, times: Decimal): Runaway {
  const { pricer } = plan;
  const now = pricer.price(plan, { case: 'likely' });
  const then = pricer.price(plan, { case: 'likely', load: times });
  const after = monthlyOf(then);
  const rows = [...monthlyOf(now)].flatMap(([id, amount]): RunawayRow[] => {
    const changed = after.get(id);
    return changed === undefined || changed.equals(amount) ? [] : [{ id, now: amount, then: changed }];
  });
  const extra = (row: RunawayRow): Decimal => row.then.minus(row.now);
  return {
    now: now.monthly.value,
    then: then.monthly.value,
    rows: rows.sort((a, b) => extra(b).comparedTo(extra(a)) || (a.id < b.id ? -1 : 1)),
  };
}
