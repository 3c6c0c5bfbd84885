/**
 * What leaving a component's commitment early costs, in the design's currency: its committed part by itself, against
 * the same part on demand. Source: pricing rules, "Usage commitment"; needs E9.
 */
import type { Decimal } from '../base';
import type { Component, Design } from '../design';
import type { BookSet, PricedComponent, PricedLine } from '../pricing';
import { rateCard } from '../rating';
import { commitmentOf, type CommittedRun, type EarlyEnd, earlyEndings, type EndedEarly } from '../terms';

export interface Leaving {
  readonly rule: EarlyEnd['rule'];
  /** For every month of the term. */
  readonly rows: readonly EndedEarly[];
  /** From the end of this month on, it has cost no more than on demand, whenever it ends; null: never. */
  readonly breakEven: number | null;
}

/**
 * `onDemand` is the same component on demand. Null: no usage commitment, one of the two is not priced, or the book says
 * nothing about leaving.
 *
 * @example
 * const [onDemand, twelve] = waysToPay(server, design, books);
 * leavingOf({ ...server, term: '12-none' }, twelve!.line, onDemand!.line, design, books); // => null
 */
export function leavingOf(
  component: Component,
  line: PricedLine,
  onDemand: PricedLine,
  design: Design,
  books: BookSet,
): Leaving | null {
  const rule = ruleOf(component, line, books);
  if (!rule || line.status !== 'priced' || !line.wholeTerm || onDemand.status !== 'priced') return null;
  const run = committedRun(line, line.wholeTerm, onDemand.monthly.value, rule, design.currency);
  const { rows, breakEven } = earlyEndings(run);
  return { rule: rule.rule, rows, breakEven };
}

/**
 * The committed part of a line by itself. `onDemand` is the month of the same line on demand.
 *
 * @example
 * const run = committedRun({ upfront: decimal('600'), once: decimal('0'), monthly: { value: decimal('50') } }, { months: 12, amount: decimal('600') }, decimal('73'), { rule: 'rest-due' }, 'USD');
 * run.onDemand.toString(); // => '73'
 */
export function committedRun(
  line: PricedComponent,
  { months, amount }: NonNullable<PricedComponent['wholeTerm']>,
  onDemand: Decimal,
  rule: EarlyEnd,
  currency: string,
): CommittedRun {
  const upfront = line.upfront.minus(line.once);
  // What the line holds beside its commitment costs the same either way.
  const beside: Decimal = line.monthly.value.minus(amount.dividedBy(months));
  return {
    months,
    recurring: amount.minus(upfront).dividedBy(months),
    upfront,
    onDemand: onDemand.minus(beside),
    currency,
    rule,
  };
}

function ruleOf(component: Component, line: PricedLine, books: BookSet): EarlyEnd | null {
  if (!commitmentOf(component.term) || line.status !== 'priced') return null;
  if (line.early) return line.early;
  const { book, offer } = line;
  if (!book || !offer || !component.place) return null;
  const priced = books.get(book.key, book.revision);
  const rates = priced ? rateCard(priced, offer, component.place.region).rates : [];
  return rates.find((rate) => rate.term === component.term && rate.early)?.early ?? null;
}
