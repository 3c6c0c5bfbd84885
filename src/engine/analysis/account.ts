/**
 * The account of a design over its months: what leaves in which month, and what compares. Money paid ahead leaves once
 * and is spread over its term as it was paid; a line that ends before its term owes what the book's rule says, in its
 * last month. Over a term, what compares adds up to what leaves. Source: pricing rules, "Where two rules meet", 6, 14.
 */
import { addAll, type Decimal, ZERO } from '../base';
import { allComponents, type Component, type Design } from '../design';
import { type BookSet, priceAlone, type PricedComponent, type PricedDesign, type When } from '../pricing';
import { endEarly } from '../terms';
import type { Case } from '../usage';
import { committedRun } from './leaving';

export interface MonthAmounts {
  /** As it compares: upfront payments spread over their term; one-time fees in their month. */
  readonly monthly: Decimal;
  /** What leaves the account in this month. */
  readonly cash: Decimal;
}

interface Paid {
  readonly amount: Decimal;
  readonly months: number;
}

export class Account {
  private readonly components: ReadonlyMap<string, Component>;
  /** By line: what it last paid upfront. */
  private readonly paid = new Map<string, Paid>();

  constructor(
    design: Design,
    private readonly books: BookSet,
    private readonly which: Case,
  ) {
    this.components = new Map(allComponents(design).map((each) => [each.id, each]));
  }

  /** The next month; they must come one after the other. */
  month(priced: PricedDesign, inMonth: Design, when: When) {
    const lines = priced.sections
      .flatMap((section) => section.lines)
      .filter((line): line is PricedComponent => line.status === 'priced');
    const ahead = aheadByPayer(lines);
    const components = new Map<string, MonthAmounts>();
    const endings: { id: string; due: Decimal }[] = [];
    const paidAhead: { id: string; amount: Decimal; again: boolean }[] = [];
    for (const line of lines) {
      const { amounts, due, upfront } = this.line(line, ahead.get(line.id) ?? ZERO, inMonth, when);
      components.set(line.id, amounts);
      if (due) endings.push({ id: line.id, due });
      if (upfront) paidAhead.push({ id: line.id, ...upfront });
    }
    const all = [...components.values()];
    return {
      month: when.month + 1,
      components,
      endings,
      paidAhead,
      monthly: addAll(all.map((each) => each.monthly)),
      cash: addAll(all.map((each) => each.cash)),
      unpriced: priced.unpriced,
    };
  }

  private line(
    line: PricedComponent,
    boughtAhead: Decimal,
    inMonth: Design,
    when: When,
  ): {
    amounts: MonthAmounts;
    due: Decimal | null;
    upfront: { amount: Decimal; again: boolean } | null;
  } {
    const component = this.components.get(line.id)!;
    const age = when.month - (component.months?.from ?? 1) + 1;
    const once = age === 0 ? line.once : ZERO;
    const upfront = line.upfront.minus(line.once);
    const begins = line.renews !== null && age % line.renews === 0;
    if (begins) this.paid.set(line.id, { amount: upfront, months: line.renews! });
    const paid = this.paid.get(line.id);
    const spread = paid ? paid.amount.dividedBy(paid.months) : ZERO;
    const moved = paid !== undefined && !paid.amount.equals(upfront);
    const compares = this.compares(line, { spread, moved, boughtAhead });
    const cash = line.recurring.plus(begins ? upfront : ZERO).plus(once);
    const ending = paid && this.ending(line, component, age, paid, inMonth, when);
    const left = ending ? spread.times(paid.months - ending.used) : ZERO;
    const due = ending?.due ?? ZERO;
    return {
      amounts: { monthly: compares.plus(once).plus(due).plus(left), cash: cash.plus(due) },
      due: ending ? due : null,
      upfront: begins && !upfront.isZero() ? { amount: upfront, again: age > 0 } : null,
    };
  }

  /** The usual month; where what was paid ahead is not what it would cost now, what was paid is spread. */
  private compares(
    line: PricedComponent,
    { spread, moved, boughtAhead }: { spread: Decimal; moved: boolean; boughtAhead: Decimal },
  ): Decimal {
    if (!moved && boughtAhead.isZero()) return line.monthly.value;
    return line.recurring.plus(spread).minus(boughtAhead);
  }

  /** What ending now costs by the book's rule (the rest is due, where it has none); null: it does not end in mid-term. */
  private ending(
    line: PricedComponent,
    component: Component,
    age: number,
    paid: Paid,
    inMonth: Design,
    when: When,
  ): { used: number; due: Decimal } | null {
    const used = (age % paid.months) + 1;
    if (component.months?.to !== when.month + 1 || used === paid.months || !line.wholeTerm) return null;
    const rule = line.early ?? { rule: 'rest-due' as const };
    const onDemand =
      rule.rule === 're-rate' ? this.onDemandMonth(line, component, inMonth, when) : line.monthly.value;
    const run = committedRun(line, line.wholeTerm, onDemand, rule, inMonth.currency);
    return { used, due: endEarly({ ...run, upfront: paid.amount }, used).due.value };
  }

  private onDemandMonth(line: PricedComponent, component: Component, inMonth: Design, when: When): Decimal {
    const now = allComponents(inMonth).find((each) => each.id === component.id) ?? component;
    const free = priceAlone({ ...now, term: 'on-demand' }, inMonth, this.books, this.which, when);
    return free.status === 'priced' ? free.monthly.value : line.monthly.value;
  }
}

/** What lines compare with that others (commitments, credits) paid ahead. */
function aheadByPayer(lines: readonly PricedComponent[]): Map<string, Decimal> {
  const found = new Map<string, Decimal>();
  for (const { by, amount } of lines.flatMap((line) => line.ahead)) {
    found.set(by, (found.get(by) ?? ZERO).plus(amount));
  }
  return found;
}
