/** A design and its alternatives, side by side. Keeps a plan of each, so that an edit prices what it changes in each. */
import { type AlternativeDesign, createAlternator } from '@/features/compare/calc/alternatives';
import { type Axis, type AxisAnswer, axisLooksAt, axisOf } from '@/features/compare/calc/axes';
import {
  bareRates,
  kindsMeasured,
  type MeasuredRates,
  measuresOf,
  type Quantities,
} from '@/features/unit-prices/calc';
import {
  comparisonOf,
  type Comparison,
  type GroupBy,
  mixedBest,
  OWN_SIDE,
  type PricedColumn,
  withoutFree,
} from '@/features/compare/calc/comparison';
import { mixedSentence } from '@/features/compare/words';
import { monthEvents, movesOverTime, priceMonths } from '@/engine/analysis';
import { type Design, linesIn, type Scope } from '@/engine/design';
import { casesOf, type DesignPlan, type Pricer } from '@/engine/pricing';
import { type DesignSummary, summaryOf } from '@/engine/summary';
import { appliedWhereLoaded } from '@/features/design/format/loaded-alternatives';
import type { LoadedBooks } from './loaded-books';
import { monthsAnswer } from './plain-months';
import type { Answers, CashRow, CashSide } from './protocol';

export class Compared {
  private readonly alternator: ReturnType<typeof createAlternator>;
  /** By alternative; the last plan of each. */
  private readonly plans = new Map<string, DesignPlan>();

  constructor(
    private readonly loaded: LoadedBooks,
    private readonly pricer: Pricer,
  ) {
    this.alternator = createAlternator(loaded, pricer);
  }

  async compare(own: DesignPlan, by: GroupBy): Promise<Comparison> {
    return comparisonOf(await this.columns(own), this.loaded, by);
  }

  /** One alternative as a design, with what its changes came to. */
  async apply(design: Design, id: string): Promise<AlternativeDesign | null> {
    const alternative = design.alternatives?.find((each) => each.id === id);
    if (!alternative) return null;
    const [made] = await appliedWhereLoaded(design, [alternative], this.alternator, this.loaded);
    return made!;
  }

  /** The design and one alternative, with and without what is included free. */
  async withoutFree(design: Design, id: string): Promise<Answers['without-free']> {
    const alternative = design.alternatives?.find((each) => each.id === id);
    if (!alternative) return null;
    await appliedWhereLoaded(design, [alternative], this.alternator, this.loaded);
    const { change, without } = withoutFree(design, alternative, this.pricer, this.alternator);
    return { change: change.toString(), without: without.toString() };
  }

  /** A whole axis. What its places sell is brought in first. */
  async axis(own: DesignPlan, axis: Axis, what: Scope): Promise<AxisAnswer> {
    const { design } = own;
    await this.loaded.catalogues(design.books);
    const books = design.books.flatMap(({ book, revision }) => this.loaded.get(book, revision) ?? []);
    const lines = linesIn(design, what);
    await this.loaded.booksFor(design, axisLooksAt(axis, lines, books));
    return axisOf(axis, this.pricer.plan(design, own), what, this.alternator);
  }

  /** Every measured kind in every region of the pinned books is brought in first. */
  async bareRates(around: Design, quantities: Quantities): Promise<MeasuredRates[]> {
    await this.loaded.catalogues(around.books);
    const books = around.books.flatMap(({ book, revision }) => this.loaded.get(book, revision) ?? []);
    const { alternatives: _, ...own } = around;
    const asked = { around: { ...own, sections: [] }, books, pricer: this.pricer };
    await this.loaded.booksFor(asked.around, kindsMeasured(books));
    return measuresOf(books, quantities).map((measure) => bareRates(measure, asked));
  }

  async mixed(own: DesignPlan, by: 'section' | 'line'): Promise<Answers['mixed']> {
    const { design } = own;
    const alternatives = design.alternatives ?? [];
    await appliedWhereLoaded(design, alternatives, this.alternator, this.loaded);
    const best = mixedBest(own, alternatives, this.alternator, by);
    const names = new Map(alternatives.map(({ id, name }) => [id, name]));
    return { changes: best.changes, says: mixedSentence(best, design.currency, names) };
  }

  /** Cash of the first year and of the horizon, by column: each month of each is priced, so it is asked for apart. */
  async cash(own: DesignPlan, horizon: number): Promise<CashRow[]> {
    const plans = await this.plansOf(own);
    return plans.map(({ id, plan }) => {
      const { firstYear, whole } = priceMonths(plan, 'likely', Math.max(12, horizon));
      return { id, firstYear: firstYear.cash.toString(), whole: whole.cash.toString() };
    });
  }

  /** Month by month, of the design and of those of its alternatives. */
  async months(own: DesignPlan, horizon: number, sides: readonly string[]): Promise<CashSide[]> {
    return (await this.plansOf(own, sides)).map(({ id, name, plan }) => {
      const series = priceMonths(plan, 'likely', horizon);
      return { id, name, months: monthsAnswer(series), events: monthEvents(plan, series) };
    });
  }

  private async columns(own: DesignPlan): Promise<PricedColumn[]> {
    return (await this.plansOf(own)).map(({ plan, ...column }) => ({
      ...column,
      design: plan.design,
      summary: summaryAtOnce(plan),
    }));
  }

  /** The design and its alternatives, each planned; with `only`, those of them. */
  async plansOf(own: DesignPlan, only?: readonly string[]) {
    const { design } = own;
    const all = design.alternatives ?? [];
    const alternatives = only ? all.filter(({ id }) => only.includes(id)) : all;
    const made = await appliedWhereLoaded(design, alternatives, this.alternator, this.loaded);
    const known = new Set(all.map(({ id }) => id));
    for (const id of this.plans.keys()) if (!known.has(id)) this.plans.delete(id);
    const columns = alternatives.map(({ id, name, note, changes }, at) => {
      const { design: other, outcomes } = made[at]!;
      const plan = this.pricer.plan(other, this.plans.get(id) ?? own);
      this.plans.set(id, plan);
      return { id, name, note, changes, outcomes, plan };
    });
    return [{ id: null, name: OWN_SIDE, note: '', changes: [], outcomes: [], plan: own }, ...columns];
  }
}

function summaryAtOnce(plan: DesignPlan): DesignSummary {
  const summary = summaryOf(casesOf(plan));
  return { ...summary, firstYear: movesOverTime(plan) ? null : summary.twelveMonths };
}
