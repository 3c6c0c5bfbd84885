/**
 * What a month would cost if nothing stopped the traffic: every meter that follows it, so many times. A frightening
 * figure on purpose, to cap or to watch; what has a ceiling shows that it holds. Need H19.
 */
import { type Decimal } from '../base';
import { differenceBetween } from '../difference';
import type { DesignPlan } from '../pricing';

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
 * No line loses its amount under a load: fees that end at a size are of what is held, and that follows no traffic.
 * `times` is above zero; below one it tells what a quiet month costs.
 *
 * @example
 * runaway(plan, decimal('10')).rows; // => []
 */
export function runaway(plan: DesignPlan, times: Decimal): Runaway {
  const { design, pricer } = plan;
  const now = pricer.price(plan, { case: 'likely' });
  const then = pricer.price(plan, { case: 'likely', load: times });
  const difference = differenceBetween({ design, priced: now }, { design, priced: then });
  const rows = difference.rows.flatMap(({ id, before, after, change }): RunawayRow[] =>
    !change || change.isZero() ? [] : [{ id, now: before!, then: after! }],
  );
  const extra = (row: RunawayRow): Decimal => row.then.minus(row.now);
  return {
    now: difference.before,
    then: difference.after,
    rows: rows.sort((a, b) => extra(b).comparedTo(extra(a)) || (a.id < b.id ? -1 : 1)),
  };
}
