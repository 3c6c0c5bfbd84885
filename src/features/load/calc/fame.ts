/**
 * A month, or a day of it, at so many times the load: by line, with what grows and what holds. A frightening figure on
 * purpose. A day at n times adds (n − 1) days of load to the month. Needs F16, H19.
 */
import { type Decimal, decimal, roundedUp } from '@/engine/base';
import { differenceBetween } from '@/engine/difference';
import { allComponents } from '@/engine/design';
import type { DesignPlan } from '@/engine/pricing';
import { underEntries, type Varied } from '@/engine/program';

export interface FameRow {
  readonly id: string;
  readonly name: string;
  /** Exact text; null: no amount. */
  readonly now: string | null;
  readonly then: string | null;
}

export interface Fame {
  readonly now: string;
  readonly then: string;
  /** Dearest difference first; lines that hold stand last. */
  readonly rows: readonly FameRow[];
}

const DAYS = '30.4166666666666667';

/**
 * By how much the month's load grows when a day, or all of it, is so many times as high.
 *
 * @example
 * loadOfMonth(decimal('10'), 'month').toString(); // => '10'
 */
export function loadOfMonth(times: Decimal, lasts: 'day' | 'month'): Decimal {
  return lasts === 'month' ? times : times.minus(1).dividedBy(DAYS).plus(1);
}

/**
 * @example
 * sudden(plan, { component: 'a', entry: 'count', low: 1, high: 9, now: 2, whole: true }, decimal('3'), 'month').then; // => '438'
 */
export function sudden(plan: DesignPlan, varied: Varied, times: Decimal, lasts: 'day' | 'month'): Fame {
  const { design, pricer } = plan;
  const components = new Map(allComponents(design).map((each) => [each.id, each]));
  const load = decimal(varied.now).times(loadOfMonth(times, lasts));
  const at = varied.whole ? roundedUp(load) : load;
  const then = pricer.price(plan, underEntries([varied], [at.toString()], components));
  const now = pricer.price(plan, { case: 'likely' });
  const difference = differenceBetween({ design, priced: now }, { design, priced: then });
  const extra = ({ change }: (typeof difference.rows)[number]): Decimal => change ?? decimal('0');
  const rows = [...difference.rows].sort((a, b) => extra(b).comparedTo(extra(a)) || (a.id < b.id ? -1 : 1));
  return {
    now: difference.before.toString(),
    then: difference.after.toString(),
    rows: rows.map(({ id, name, before, after }) => ({
      id,
      name,
      now: before?.toString() ?? null,
      then: after?.toString() ?? null,
    })),
  };
}
