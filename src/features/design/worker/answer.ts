/** Answers the page's questions with the core. Kept free of worker globals so that it is tested like any module. */
import { assertNever } from '@/engine/base';
import { findingsOf, lookedAt } from '@/features/checklist/calc';
import { type Difference, differenceBetween } from '@/engine/difference';
import { anyOfKind, applyEdits, type Component, type Design, findComponent } from '@/engine/design';
import { sentenceFor } from '@/platform/words';
import { compareOffers, compareTerms, loadAtBudget, movesOverTime, priceMonths } from '@/engine/analysis';
import { casesOf, createPricer, type DesignPlan, type PricedDesign, type Pricer } from '@/engine/pricing';
import { formKinds, formsFor } from '@/features/compare/calc/deployment-forms';
import { summaryOf } from '@/engine/summary';
import { toPlain } from '@/engine/trace';
import { Committed } from './committed';
import { monthsAnswer } from './plain-months';
import { Compared } from './compared';
import { Stretched } from './stretched';
import type { LoadedBooks } from './loaded-books';
import type {
  Answers,
  NewerAnswer,
  OfferChoice,
  PlainForm,
  PricedFinding,
  Question,
  TermRow,
} from './protocol';

export class Answerer {
  private readonly pricer: Pricer;
  private readonly compared: Compared;
  private readonly stretched: Stretched;
  private readonly committed: Committed;
  /** The last design that was asked about: what did not change since is taken over. */
  private last: DesignPlan | undefined;

  constructor(
    private readonly loaded: LoadedBooks,
    private readonly clock: () => number,
  ) {
    this.pricer = createPricer(loaded);
    this.compared = new Compared(loaded, this.pricer);
    this.stretched = new Stretched(this.compared, clock);
    this.committed = new Committed(loaded);
  }

  async answer(question: Question): Promise<Answers[keyof Answers]> {
    switch (question.ask) {
      case 'price': {
        await this.loaded.booksFor(question.design);
        const started = this.clock();
        const plan = this.plan(question.design);
        const summary = summaryOf(casesOf(plan));
        // Where months differ, twelve of them cost twelve times a keystroke: they are asked for apart.
        const firstYear = movesOverTime(plan) ? null : summary.twelveMonths;
        const milliseconds = this.clock() - started;
        return { version: question.version, summary: { ...summary, firstYear }, milliseconds };
      }
      case 'explain': {
        const plan = await this.planned(question.design);
        const figure = this.pricer.explain(plan, { case: question.case }, question.amount);
        return figure && toPlain(figure);
      }
      case 'offers':
        return this.offers(question.component, question.design);
      case 'terms':
        return this.terms(question.component, question.design);
      case 'newer': {
        const newer = { ...question.design, books: question.books };
        return newerAnswer(
          differenceBetween(
            { design: question.design, priced: await this.likely(question.design) },
            { design: newer, priced: await this.likely(newer) },
          ),
        );
      }
      case 'months':
        return monthsAnswer(priceMonths(await this.planned(question.design), 'likely', question.horizon));
      case 'checks':
        return this.checks(question.design);
      case 'forms':
        return this.forms(question);
      case 'compare':
        return this.compared.compare(await this.planned(question.design), question.by);
      case 'cash':
        return this.compared.months(await this.planned(question.design), question.horizon, question.sides);
      case 'compare-cash':
        return this.compared.cash(await this.planned(question.design), question.horizon);
      case 'axis':
        return this.compared.axis(await this.planned(question.design), question.axis, question.what);
      case 'curve':
        return this.stretched.curve(await this.planned(question.design), question);
      case 'ready':
        return this.ready(question);
      case 'load-map':
        return this.stretched.map(await this.planned(question.design), question);
      case 'fame':
        return this.stretched.fame(await this.planned(question.design), question);
      case 'usage-plan':
      case 'sold-ahead':
      case 'spend-plan':
      case 'steps-plan':
      case 'both-plan':
      case 'credit-plan':
      case 'credit-change':
        return this.committed.answer(question, (design) => this.plan(design));
      case 'range':
        return this.stretched.range(await this.planned(question.design), question);
      case 'effects':
        return this.stretched.effects(await this.planned(question.design), question);
      case 'swings':
        return this.stretched.swings(await this.planned(question.design), question);
      case 'without-free':
        return this.compared.withoutFree(question.design, question.alternative);
      case 'bare-rates':
        return this.compared.bareRates(question.design, question.quantities);
      case 'mixed':
        return this.compared.mixed(await this.planned(question.design), question.by);
      case 'alternative':
        return this.compared.apply(question.design, question.alternative);
      case 'budget': {
        const answer = loadAtBudget(await this.planned(question.design));
        return (
          answer && {
            crossed: answer.crossed,
            times: answer.crossed === 'at' ? answer.times.toString() : null,
          }
        );
      }
      default:
        return assertNever(question);
    }
  }

  /** Every offer of the line's kind may be held against it. */
  private async ready({ design, wish }: Extract<Question, { ask: 'ready' }>): Promise<Answers['ready']> {
    const place = findComponent(design, wish.line)?.place;
    const kind = findComponent(design, wish.line)?.kind;
    await this.loaded.booksFor(design, kind && place ? [anyOfKind(kind, place)] : []);
    return this.stretched.ready(this.plan(design), wish);
  }

  private async planned(design: Design): Promise<DesignPlan> {
    await this.loaded.booksFor(design);
    return this.plan(design);
  }

  /** Plans what changed since the last time and what depends on it. */
  private plan(design: Design): DesignPlan {
    if (this.last?.design !== design) this.last = this.pricer.plan(design, this.last);
    return this.last;
  }

  /** Forms of the same capacity at one place, whether the design uses its book yet or not. */
  private async forms({ design, place, wish }: Extract<Question, { ask: 'forms' }>): Promise<PlainForm[]> {
    const kinds = formKinds(wish.job).map((kind) => anyOfKind(kind, place));
    const books = await this.loaded.booksFor(design, kinds);
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
    await this.loaded.booksFor(design, wanted);
    const plan = this.plan(design);
    const findings = findingsOf(plan, () => crypto.randomUUID());
    const now = this.pricer.price(plan, { case: 'likely' }).monthly.value;
    return Promise.all(
      findings.map(async (finding) => {
        const after = finding.remedy && applyEdits(design, finding.remedy.edits);
        if (!after?.ok) return { ...finding, changes: null };
        // A remedy may move a line to where nothing was needed before.
        await this.loaded.booksFor(after.value.design, wanted);
        const changed = this.pricer.plan(after.value.design, plan);
        const then = this.pricer.price(changed, { case: 'likely' }).monthly.value;
        return { ...finding, changes: then.minus(now).toString() };
      }),
    );
  }

  private async likely(design: Design): Promise<PricedDesign> {
    await this.loaded.booksFor(design);
    return this.pricer.price(this.pricer.plan(design, this.last), { case: 'likely' });
  }

  private async offers(component: Component, design: Design): Promise<OfferChoice[]> {
    const books = await this.loaded.booksFor(design, [component]);
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
    const books = await this.loaded.booksFor(design, [component]);
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

function newerAnswer({ before, after, rows }: Difference): NewerAnswer {
  return {
    before: before.toString(),
    after: after.toString(),
    rows: rows
      .filter(({ why }) => why !== null)
      .map((row) => ({
        id: row.id,
        before: row.before?.toString() ?? null,
        after: row.after?.toString() ?? null,
      })),
  };
}
