/** Answers the page's questions with the core. Kept free of worker globals so that it is tested like any module. */
import { assertNever, decimal } from '@/core/base';
import { findingsOf, lookedAt } from '@/core/checks';
import { allComponents, anyOfKind, applyEdits, type Component, type Design } from '@/core/design';
import { sentenceFor } from '@/core/display';
import {
  type BookSet,
  compareOffers,
  compareTerms,
  loadAtBudget,
  movesOverTime,
  type MonthSeries,
  priceCases,
  type PricedDesign,
  priceDesign,
  priceMonths,
  reusableLines,
  runaway,
} from '@/core/pricing';
import { formKinds, formsFor } from '@/core/forms';
import { summaryOf } from '@/core/range';
import { type PlainFigure, relabel, toPlain } from '@/core/trace';
import type { Case } from '@/core/usage';
import type { BookShelf } from './book-shelf';
import type {
  Answers,
  MonthsAnswer,
  NewerAnswer,
  OfferRow,
  PlainForm,
  PricedFinding,
  Question,
  Subject,
  TermRow,
} from './protocol';

interface Priced {
  readonly version: number;
  readonly cases: Record<Case, PricedDesign>;
  /** What every line depends on. */
  readonly context: string;
  readonly components: ReadonlyMap<string, string>;
}

export class Answerer {
  /** The last priced design: opening an amount shows the very calculation that gave it, and what did not change is kept. */
  private last: Priced | null = null;

  constructor(
    private readonly shelf: BookShelf,
    private readonly clock: () => number,
  ) {}

  async answer(question: Question): Promise<Answers[keyof Answers]> {
    switch (question.ask) {
      case 'price': {
        const books = await this.shelf.booksFor(question.design);
        const started = this.clock();
        const cases = this.price(question.design, question.version, books);
        const summary = summaryOf(cases);
        // Where months differ, twelve of them cost twelve times a keystroke: they are asked for apart.
        const firstYear = movesOverTime(question.design, books) ? null : summary.twelveMonths;
        const milliseconds = this.clock() - started;
        return { version: question.version, summary: { ...summary, firstYear }, milliseconds };
      }
      case 'explain': {
        const cases =
          this.last?.version === question.version
            ? this.last.cases
            : priceCases(question.design, await this.shelf.booksFor(question.design));
        return explain(cases[question.case], question.subject);
      }
      case 'offers':
        return this.offers(question.component, question.design);
      case 'terms':
        return this.terms(question.component, question.design);
      case 'newer':
        return newerAnswer(
          await this.likely(question.design),
          await this.likely({ ...question.design, books: question.books }),
        );
      case 'months': {
        const books = await this.shelf.booksFor(question.design);
        return monthsAnswer(priceMonths(question.design, books, 'likely', question.horizon));
      }
      case 'checks':
        return this.checks(question.design);
      case 'forms':
        return this.forms(question);
      case 'budget': {
        const answer = loadAtBudget(question.design, await this.shelf.booksFor(question.design));
        return (
          answer && {
            crossed: answer.crossed,
            times: answer.crossed === 'at' ? answer.times.toString() : null,
          }
        );
      }
      case 'runaway': {
        const books = await this.shelf.booksFor(question.design);
        const { now, then, rows } = runaway(question.design, books, decimal(question.times));
        return {
          now: now.toString(),
          then: then.toString(),
          rows: rows.map((row) => ({ id: row.id, now: row.now.toString(), then: row.then.toString() })),
        };
      }
      default:
        return assertNever(question);
    }
  }

  /** Prices what changed since the last time and what depends on it; a test holds this against pricing everything. */
  private price(design: Design, version: number, books: BookSet): Record<Case, PricedDesign> {
    const context = JSON.stringify([design.currency, design.assumptions, design.books, design.agreements]);
    const components = new Map(allComponents(design).map((each) => [each.id, JSON.stringify(each)]));
    const { last } = this;
    const known =
      last?.context === context
        ? reusableLines(last.cases, (id) => last.components.get(id) === components.get(id), design)
        : undefined;
    const cases = priceCases(design, books, known);
    this.last = { version, cases, context, components };
    return cases;
  }

  /** Forms of the same capacity at one place, whether the design uses its book yet or not. */
  private async forms({ design, place, wish }: Extract<Question, { ask: 'forms' }>): Promise<PlainForm[]> {
    const kinds = formKinds(wish.job).map((kind) => anyOfKind(kind, place));
    const books = await this.shelf.booksFor(design, kinds);
    return formsFor(wish, place, design, books, () => crypto.randomUUID()).map(
      ({ form, monthly, ...row }) => ({
        ...row,
        label: form.label,
        monthly: monthly?.toString() ?? null,
      }),
    );
  }

  /** What the rules find, and what each remedy would change. */
  private async checks(design: Design): Promise<PricedFinding[]> {
    const wanted = lookedAt(design);
    const books = await this.shelf.booksFor(design, wanted);
    const findings = findingsOf(design, books, () => crypto.randomUUID());
    const now = priceDesign(design, books, 'likely').monthly.value;
    return Promise.all(
      findings.map(async (finding) => {
        const after = finding.remedy && applyEdits(design, finding.remedy.edits);
        if (!after?.ok) return { ...finding, changes: null };
        // A remedy may move a line to where nothing was needed before.
        const there = await this.shelf.booksFor(after.value.design, wanted);
        const then = priceDesign(after.value.design, there, 'likely').monthly.value;
        return { ...finding, changes: then.minus(now).toString() };
      }),
    );
  }

  private async likely(design: Design): Promise<PricedDesign> {
    return priceDesign(design, await this.shelf.booksFor(design), 'likely');
  }

  private async offers(component: Component, design: Design): Promise<OfferRow[]> {
    const books = await this.shelf.booksFor(design, [component]);
    return compareOffers(component, design, books).map(({ offer, ...price }) => ({
      sku: offer.sku,
      name: offer.name,
      family: offer.family,
      processor: offer.processor,
      vcpu: offer.vcpu?.toNumber() ?? null,
      memory: offer.memory?.toNumber() ?? null,
      burstable: offer.burstable,
      retires: offer.retires,
      note: offer.note,
      hourly: price.hourly?.toString() ?? null,
      unitPrice: price.unitPrice?.price.toString() ?? null,
      unit: price.unitPrice?.unit ?? null,
      monthly: price.monthly?.toString() ?? null,
      soldHere: price.soldHere,
      nearest: price.nearest?.name ?? null,
    }));
  }

  private async terms(component: Component, design: Design): Promise<TermRow[]> {
    const books = await this.shelf.booksFor(design, [component]);
    return compareTerms(component, design, books).map(({ term, line, saving, breakEven, leaving }) => {
      if (line.status === 'unpriced') {
        const why = line.issues.map(sentenceFor).join(' ');
        return {
          term,
          monthly: null,
          upfront: null,
          recurring: null,
          wholeTerm: null,
          saving: null,
          breakEven: null,
          leaving: null,
          why,
        };
      }
      return {
        term,
        monthly: line.monthly.value.toString(),
        upfront: line.upfront.toString(),
        recurring: line.recurring.toString(),
        wholeTerm: line.wholeTerm?.amount.toString() ?? null,
        saving: saving?.toString() ?? null,
        breakEven: breakEven?.toString() ?? null,
        leaving: leaving && {
          ...leaving,
          rows: leaving.rows.map(({ month, total, onDemand }) => ({
            month,
            total: total.value.toString(),
            onDemand: onDemand.toString(),
          })),
        },
        why: null,
      };
    });
  }
}

function newerAnswer(before: PricedDesign, after: PricedDesign): NewerAnswer {
  const amounts = ({ sections }: PricedDesign) =>
    new Map(
      sections.flatMap((section) =>
        section.lines.map((line) => [
          line.id,
          line.status === 'priced' ? line.monthly.value.toString() : null,
        ]),
      ),
    );
  const [now, then] = [amounts(before), amounts(after)];
  return {
    before: before.monthly.value.toString(),
    after: after.monthly.value.toString(),
    rows: [...now]
      .map(([id, amount]) => ({ id, before: amount, after: then.get(id) ?? null }))
      .filter((row) => row.before !== row.after),
  };
}

function monthsAnswer({ rows, quarters, years, whole }: MonthSeries): MonthsAnswer {
  const plain = (each: MonthSeries['whole'], calendar: string | null = null) => ({
    calendar,
    monthly: each.monthly.toString(),
    cash: each.cash.toString(),
  });
  return {
    rows: rows.map((row) => plain(row, row.calendar)),
    quarters: quarters.map((each) => plain(each)),
    years: years.map((each) => plain(each)),
    whole: plain(whole),
  };
}

function explain(priced: PricedDesign, subject: Subject): PlainFigure | null {
  if (subject.of === 'design') return toPlain(sectionsOnly(priced));
  for (const section of priced.sections) {
    if (subject.of === 'section' && section.id === subject.id) return toPlain(section.monthly);
    const line = section.lines.find((each) => each.id === subject.id);
    if (subject.of === 'component' && line) return line.status === 'priced' ? toPlain(line.monthly) : null;
  }
  return null;
}

/** The design's own figure stops at its sections; each of those opens by itself. */
function sectionsOnly(priced: PricedDesign) {
  const parts = priced.monthly.parts.map((part) => ({ ...part, parts: [], operation: 'given' as const }));
  return relabel({ ...priced.monthly, parts }, 'Design');
}
