/** What the review worker does with a question; without a page, so that it can be tried anywhere. */
import type { Component, Design } from '@/engine/design';
import { mappedWords } from '@/features/review/words';
import { sentenceFor } from '@/platform/words';
import {
  acceptEdits,
  codeLinesOf,
  costing,
  designEffect,
  isChanged,
  matchLines,
  otherwise,
  reviewOf,
  type ReviewAsked,
  type WhatIf,
  whatIf,
  type WhatIfColumn,
} from '@/features/review/calc';
import { TERMS } from '@/engine/terms';
import { toPlain } from '@/engine/trace';
import { withMissingUse } from '@/features/review/format/review/load-file';
import { readLoadProfile } from '@/features/review/format/review/load-schema';
import {
  everything,
  type KeptReview,
  type LinkedDesign,
  workReview,
  type WorkedReview,
} from '@/features/review/format/review/work-review';
import { LoadedBooks } from '@/features/design/worker/loaded-books';
import { type FetchReviews, ReviewReading } from './review-reading';
import type {
  EffectAnswer,
  NamedWhatIf,
  Offered,
  OfReview,
  PlainWhatIf,
  ReviewAnswers,
  ReviewQuestion,
  WorkAnswer,
} from './review-protocol';

type Asked<K extends ReviewQuestion['ask']> = Extract<ReviewQuestion, { ask: K }>;

interface LimitsAsked {
  readonly teamLimits: string | null;
  readonly today: string;
  readonly link: Asked<'work'>['link'];
}

const NO_LIMITS: LimitsAsked = { teamLimits: null, today: '0001-01-01', link: null };

interface Worked {
  readonly key: string;
  readonly under: string;
  readonly worked: Promise<WorkedReview>;
}

export class ReviewRoom {
  private readonly books: LoadedBooks;
  private readonly reading: ReviewReading;
  private stored: { readonly key: string; readonly review: Promise<KeptReview> } | null = null;
  private last: Worked | null = null;

  constructor(private readonly fetchJson: FetchReviews) {
    this.books = new LoadedBooks((path) => fetchJson(path));
    this.reading = new ReviewReading(fetchJson);
  }

  async answer(question: ReviewQuestion): Promise<ReviewAnswers[ReviewQuestion['ask']]> {
    switch (question.ask) {
      case 'read':
        return this.reading.read(question.plan, question.against, question.maps);
      case 'hand-in':
        return this.reading.handIn(question.as);
      case 'work':
        return this.work(question);
      case 'explain': {
        const worked = await this.worked(question, null);
        const plan = worked[question.side];
        const amount = { of: 'component' as const, id: question.line };
        const figure = plan.pricer.explain(plan, { case: 'likely' }, amount);
        return figure && toPlain(figure);
      }
      case 'draft-load':
        return withMissingUse(question.load ?? '', (await this.worked(question, null)).review);
      case 'kept': {
        const { extract, pins } = await this.kept(question);
        const { resources, form, map } = extract;
        const shown = resources.slice(question.from, question.from + question.count);
        return { total: resources.length, resources: shown, pins, form, map };
      }
      case 'effect':
        return this.effect(question);
    }
  }

  /** As it was sent, with the load profile as it is now. */
  private async kept({ id, revision, load }: OfReview): Promise<KeptReview> {
    const key = `${id} ${revision}`;
    if (this.stored?.key !== key) {
      const review = this.fetchJson(`/api/reviews/${id}`).then((found) => {
        if (found === null) throw new Error('This review is not there any more.');
        return found as KeptReview;
      });
      this.stored = { key, review };
      // What could not be fetched is asked for again.
      review.catch(() => (this.stored = this.stored?.review === review ? null : this.stored));
    }
    return { ...(await this.stored.review), load };
  }

  /** `limits` null: whoever asks for an amount takes what is there, under whatever limits. */
  private worked(of: OfReview, limits: LimitsAsked | null): Promise<WorkedReview> {
    const key = JSON.stringify([of.id, of.revision, of.load]);
    const under = JSON.stringify(limits);
    if (this.last?.key === key && (limits === null || this.last.under === under)) return this.last.worked;
    const { teamLimits, today, link } = limits ?? NO_LIMITS;
    const worked = Promise.all([this.kept(of), this.linked(link)]).then(([kept, design]) =>
      workReview({ ...kept, design }, teamLimits, today, this.books),
    );
    this.last = { key, under, worked };
    worked.catch(() => (this.last = this.last?.worked === worked ? null : this.last));
    return worked;
  }

  private async linked(link: LimitsAsked['link']): Promise<LinkedDesign | null> {
    const found =
      link && ((await this.fetchJson(`/api/designs/${link.design}`)) as { readonly design: Design } | null);
    return found ? { design: found.design, repository: link.repository, matches: link.matches } : null;
  }

  private async work(question: Asked<'work'>): Promise<WorkAnswer> {
    const planned = await this.worked(question, limitsAsked(question));
    const changes = [LEAN, HEAVY, ...question.whatIfs];
    const named = changes.map(({ name, change }) => ({ name, change: whatIfOf(change, planned.asked) }));
    const fetched = named.filter(({ change }) => change.is !== 'case');
    for (const { change } of fetched) {
      const { extract, profile, setting } = otherwise(change, planned.asked);
      await this.books.booksFor(everything(extract, profile, setting));
    }
    // What was fetched meanwhile counts, and nothing that comes later. Where nothing was, what is priced stays.
    const books =
      fetched.length === 0
        ? planned.asked.books
        : { get: (book: string, revision: number) => this.books.get(book, revision) };
    const asked = { ...planned.asked, books };
    const again = fetched.length === 0 ? planned : reviewOf(asked);
    const columns = named.map(({ name, change }): WhatIfColumn =>
      whatIf(name, change.is === 'books' ? { ...change, books } : change, asked, again),
    );
    const [lean, heavy, ...others] = columns;
    return {
      review: planned.review,
      limits: planned.limits,
      lean: lean!,
      heavy: heavy!,
      columns: others,
      books: asked.setting.books.flatMap(({ book, revision }) => {
        const found = books.get(book, revision);
        return found ? [{ book, revision, effective: found.effective }] : [];
      }),
      offered: offeredOf(asked),
    };
  }

  private async effect(question: Asked<'effect'>): Promise<EffectAnswer> {
    const { asked } = await this.worked(question, null);
    const found = (await this.fetchJson(`/api/designs/${question.design}`)) as {
      readonly design: Design;
      readonly revision: number;
    } | null;
    if (!found) throw new Error('The design is not there any more. Choose another.');
    const { design, revision } = found;
    const { repository, said } = question;
    const lines = codeLinesOf(asked.extract);
    const matches = matchLines(design, lines, repository, said);
    const newId = (): string => crypto.randomUUID();
    const pins = asked.setting.books;
    const edits = acceptEdits({ design, lines, matches, repository, pins, newId });
    await this.books.booksFor(design);
    await this.books.booksFor(everything(asked.extract, asked.profile, asked.setting));
    const effect = designEffect(design, edits, this.books);
    if (!effect.ok) throw new Error(sentenceFor(effect.issue));
    const { inverse, totals, rows } = effect.value;
    return {
      title: design.title,
      currency: design.currency,
      revision,
      lines: lines.map((line) => ({
        id: line.id,
        kind: (line.after ?? line.before)?.kind ?? null,
        match: matches.get(line.id) ?? { is: 'none' },
        isOpen: line.isOpen,
        isChanged: isChanged(line),
        resources: line.addresses.length,
        before: sideWords(line.before),
        after: sideWords(line.after),
      })),
      components: design.sections.flatMap(({ name, components }) =>
        components.map((each) => ({ id: each.id, name: each.name, section: name, kind: each.kind })),
      ),
      ...{ edits, inverse, totals, rows },
    };
  }
}

const limitsAsked = ({ teamLimits, today, link }: Asked<'work'>): LimitsAsked => ({
  teamLimits,
  today,
  link,
});

const sideWords = (component: Component | null): string =>
  component ? mappedWords({ is: 'line', part: null, component }, 'whole') : '';

const LEAN: NamedWhatIf = { name: 'lean', change: { is: 'case', case: 'lean' } };
const HEAVY: NamedWhatIf = { name: 'heavy', change: { is: 'case', case: 'heavy' } };

function whatIfOf(change: PlainWhatIf, { books }: ReviewAsked): WhatIf {
  switch (change.is) {
    case 'profile': {
      const read = readLoadProfile(change.text);
      if (!read.ok) throw new Error(`The load profile was refused: ${read.faults[0]?.message ?? ''}`);
      return { is: 'profile', profile: read.value };
    }
    case 'books':
      return { is: 'books', books, pins: change.pins };
    default:
      return change;
  }
}

/** What can be asked otherwise: ways of paying that something of it is sold under, other regions of its books. */
function offeredOf({ extract, books, setting }: ReviewAsked): Offered {
  const terms = new Set<string>();
  const here = new Map<string, Set<string>>();
  for (const { after } of extract.resources)
    for (const { component } of costing(after)) {
      const { place, choice } = component;
      const pin = place && setting.books.find(({ book }) => book === place.book);
      const book = pin && books.get(pin.book, pin.revision);
      if (!book) continue;
      here.set(book.key, (here.get(book.key) ?? new Set()).add(place.region));
      if (choice.by === 'sku') for (const term of book.termsOf(choice.sku, place.region)) terms.add(term);
    }
  return {
    terms: TERMS.filter((term) => terms.has(term)),
    regions: setting.books.flatMap(({ book, revision }) => {
      const found = books.get(book, revision);
      const known = here.get(book);
      if (!found || !known) return [];
      return found.regions.flatMap(({ code, name }) =>
        known.size === 1 && known.has(code) ? [] : [{ book, provider: found.provider, region: code, name }],
      );
    }),
  };
}
