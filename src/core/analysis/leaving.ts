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

/** The committed part of a line by itself. `onDemand` is the month of the same line on demand. */
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
