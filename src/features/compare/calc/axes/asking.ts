/** Asks the engine what a design would cost under some changes, against what it costs now. */
import { type Alternator, createAlternator } from '../alternatives';
import { addAll, comparedWithoutHair, decimal, type Decimal, issue, ZERO } from '@/engine/base';
import {
  allComponents,
  type Change,
  type Component,
  type Design,
  linesIn,
  type Scope,
} from '@/engine/design';
import { halfAwayFromZero, minorDigits } from '@/engine/money';
import { outsideOf } from '@/engine/moving';
import {
  type DesignPlan,
  monthlyOf,
  pinnedBooks,
  type PricedDesign,
  type PricedLine,
} from '@/engine/pricing';
import type { AxisFacts, AxisRow, Missing } from './model';

/** A way of paying that is not sold leaves a line as it was: it lacks nothing. */
const AS_IT_WAS: ReadonlySet<string> = new Set(['term.not-offered']);

export class Asking {
  readonly design: Design;
  /** The lines that are asked about, as they are. */
  readonly lines: readonly Component[];
  /** Those of them that have an amount now; all of them where none has. What has none now is compared with nothing. */
  readonly ids: ReadonlySet<string>;
  private readonly now: PricedDesign;
  private readonly amounts: ReadonlyMap<string, Decimal>;
  private readonly alternator: Alternator;

  constructor(
    readonly plan: DesignPlan,
    what: Scope,
    alternator?: Alternator,
  ) {
    const { alternatives: _, ...design } = plan.design;
    this.design = design;
    this.lines = linesIn(design, what);
    this.alternator = alternator ?? createAlternator(plan.pricer.books, plan.pricer);
    this.now = this.priced(plan);
    this.amounts = monthlyOf(this.now);
    const ids = this.lines.map(({ id }) => id);
    const priced = ids.filter((id) => this.amounts.has(id));
    this.ids = new Set(priced.length > 0 ? priced : ids);
  }

  /** The row of some changes; `[]` is what is chosen now. */
  row(
    key: string,
    label: string,
    changes: readonly Change[],
    facts: AxisFacts | ((priced: PricedDesign, changed: readonly Component[]) => AxisFacts) = {},
  ): AxisRow {
    if (changes.length === 0) {
      const given = typeof facts === 'function' ? facts(this.now, []) : facts;
      return this.rowOf(key, label, [], this.now, this.outside(this.design), given, true);
    }
    const { design, outcomes } = this.alternator.apply(this.design, { changes });
    const own = new Map(this.lines.map((line) => [line.id, line]));
    const changed = allComponents(design).filter((line) => own.has(line.id) && own.get(line.id) !== line);
    const missing = outcomes.flatMap(({ why, lines }): Missing[] => [
      ...(why && why.code !== 'change.nothing' ? [{ id: '', name: '', issue: why }] : []),
      ...lines.flatMap(({ id, name, changed: done, issues }) =>
        issues
          .filter(({ code }) => (done ? code === 'move.lacks' : !AS_IT_WAS.has(code)) && this.ids.has(id))
          .map((each) => ({ id, name, issue: each })),
      ),
    ]);
    const priced = this.priced(this.plan.pricer.plan(design, this.plan));
    const given = typeof facts === 'function' ? facts(priced, changed) : facts;
    const lacking = [...missing, ...this.outside(design)];
    return this.rowOf(key, label, changes, priced, lacking, given, false);
  }

  /** Lines that are asked about and stand where the design must not. */
  private outside(design: Design): Missing[] {
    return outsideOf(design, pinnedBooks(design, this.plan.pricer.books))
      .filter(({ line }) => this.ids.has(line.id))
      .map(({ line, issue: each }) => ({ id: line.id, name: line.name, issue: each }));
  }

  private priced(plan: DesignPlan): PricedDesign {
    return plan.pricer.price(plan, { case: 'likely' });
  }

  private rowOf(
    key: string,
    label: string,
    changes: readonly Change[],
    priced: PricedDesign,
    outcomes: readonly Missing[],
    facts: AxisFacts,
    now: boolean,
  ): AxisRow {
    const names = new Map(this.lines.map(({ id, name }) => [id, name]));
    const unpriced = this.linesOf(priced).flatMap((line): Missing[] =>
      line.status === 'priced'
        ? []
        : [
            {
              id: line.id,
              name: names.get(line.id) ?? line.id,
              issue: line.issues[0] ?? issue('choice.missing'),
            },
          ],
    );
    const told = new Set(outcomes.map(({ id }) => id));
    const missing = [...outcomes, ...unpriced.filter(({ id }) => !told.has(id))];
    const monthly = this.amountOf(priced);
    const before = this.amountOf(this.now);
    const change = monthly && before && this.changeTo(priced, before, monthly);
    return {
      key,
      label,
      changes,
      now,
      monthly: monthly?.toString() ?? null,
      change: now ? null : (change?.toString() ?? null),
      share:
        now || !change || !before || before.isZero()
          ? null
          : change.dividedBy(before).toDecimalPlaces(6).toString(),
      missing,
      facts,
    };
  }

  /**
   * Of the whole design, but for lines that have no amount now. Of the lines that were asked about it is the difference of
   * what is printed, as everywhere; what else the row changes comes on top.
   */
  private changeTo(priced: PricedDesign, before: Decimal, after: Decimal): Decimal {
    const digits = minorDigits(this.design.currency);
    const now = monthlyOf(priced);
    const others: Decimal[] = [];
    for (const [id, was] of this.amounts) {
      const is = now.get(id) ?? ZERO;
      // What was taken over is the very same value.
      if (is !== was && !this.ids.has(id)) others.push(is.minus(was));
    }
    const printed = (amount: Decimal): Decimal => halfAwayFromZero(amount, digits);
    return printed(after)
      .minus(printed(before))
      .plus(printed(addAll(others)));
  }

  linesOf(priced: PricedDesign): readonly PricedLine[] {
    return priced.sections.flatMap(({ lines }) => lines.filter(({ id }) => this.ids.has(id)));
  }

  /** Of the lines that were asked about; null: none has an amount. */
  private amountOf(priced: PricedDesign): Decimal | null {
    const amounts = this.linesOf(priced).flatMap((line) =>
      line.status === 'priced' ? [line.monthly.value] : [],
    );
    return amounts.length > 0 ? addAll(amounts) : null;
  }
}

/** From the cheapest to the dearest; what lacks something after what lacks nothing, what has no amount last. */
export function ranked(rows: readonly AxisRow[]): AxisRow[] {
  const rank = ({ monthly, missing }: AxisRow): number => (monthly === null ? 2 : missing.length > 0 ? 1 : 0);
  return [...rows].sort((a, b) => {
    if (rank(a) !== rank(b)) return rank(a) - rank(b);
    if (a.monthly === null || b.monthly === null) return 0;
    return comparedWithoutHair(decimal(a.monthly), decimal(b.monthly));
  });
}
