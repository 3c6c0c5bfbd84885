/** What happens over the months of a design, so that a jump of cash has its reason beside it. Needs F15, K12. */
import { allComponents } from '../design';
import { allowanceEnds, type DesignPlan } from '../pricing';
import type { MonthSeries } from './months';

/**
 * - `paid-ahead`, `renewed`: money leaves for a term that begins, or begins again.
 * - `begins`, `ends`: of a line; `ends-early`: before its term, with what is due.
 * - `allowance-ends`: what was included for so long is not any more.
 */
export interface MonthEvent {
  /** The first is 1. */
  readonly month: number;
  readonly what: 'paid-ahead' | 'renewed' | 'begins' | 'ends' | 'ends-early' | 'allowance-ends';
  /** Empty: no line of its own. */
  readonly line: string;
  readonly name: string;
  /** Exact text; null: no money of its own. */
  readonly amount: string | null;
}

/**
 * By month, then by line in the design's order.
 *
 * @example
 * monthEvents(plan, priceMonths(plan, 'likely', 12)); // => []
 */
export function monthEvents({ design, pricer }: DesignPlan, { rows }: MonthSeries): MonthEvent[] {
  const components = allComponents(design);
  const names = new Map(components.map(({ id, name }) => [id, name]));
  const ends = allowanceEnds(design, pricer.books);
  return rows.flatMap(({ month, paidAhead, endings }): MonthEvent[] => {
    const of = (what: MonthEvent['what'], line: string, amount: string | null): MonthEvent => ({
      month,
      what,
      line,
      name: names.get(line) ?? '',
      amount,
    });
    return [
      ...paidAhead.map(({ id, amount, again }) =>
        of(again ? 'renewed' : 'paid-ahead', id, amount.toString()),
      ),
      ...components.flatMap(({ id, months }) =>
        months && months.from === month && month > 1 ? [of('begins', id, null)] : [],
      ),
      ...components.flatMap(({ id, months }) =>
        months?.to === month && !endings.some((each) => each.id === id) ? [of('ends', id, null)] : [],
      ),
      ...endings.map(({ id, due }) => of('ends-early', id, due.toString())),
      ...(ends.includes(month - 1) ? [of('allowance-ends', '', null)] : []),
    ];
  });
}
