/** A kept review worked out whole: priced, held against the limits beside the code and those of the team, with remedies. */
import { applyEdits, type Component, type Design } from '@/engine/design';
import type { BookSet } from '@/engine/pricing';
import {
  acceptEdits,
  codeLinesOf,
  costing,
  type DesignAfter,
  designEffect,
  designsOf,
  type Extract,
  holdLimits,
  joinAnswers,
  type Limits,
  type LimitsAnswer,
  type LineMatches,
  type LoadProfile,
  type MappedSide,
  matchLines,
  NO_PROFILE,
  type PricedReview,
  remedyFor,
  type ReviewAsked,
  reviewOf,
  type ReviewSetting,
} from '@/features/review/calc';
import { DEFAULT_MONTH } from '@/engine/time';
import type { Checked } from '@/platform/formats/faults';
import { readLimits } from './limits-schema';
import { readLoadProfile } from './load-schema';

/** Books that fetch what is asked about. */
export interface FetchingBooks extends BookSet {
  booksFor(design: Design, wholeKinds?: readonly Component[]): Promise<unknown>;
}

export interface KeptReview {
  readonly extract: Extract;
  /** YAML, as they stand beside the code. */
  readonly load: string | null;
  readonly limits: string | null;
  /** The design that its repository comes from; null or absent: none. */
  readonly design?: LinkedDesign | null;
  readonly pins: {
    readonly currency: string;
    readonly books: ReviewSetting['books'];
    readonly exchange: ReviewSetting['assumptions']['exchange'];
  };
}

export interface LinkedDesign {
  readonly design: Design;
  readonly repository: string;
  readonly matches: LineMatches;
}

export interface WorkedReview extends PricedReview {
  readonly asked: ReviewAsked;
  readonly limits: LimitsAnswer;
}

/** `teamLimits`: YAML of the team's own. */
export async function workReview(
  kept: KeptReview,
  teamLimits: string | null,
  today: string,
  books: FetchingBooks,
): Promise<WorkedReview> {
  const profile = profileOf(kept.load);
  const setting = settingOf(kept.pins);
  await books.booksFor(everything(kept.extract, profile, setting));
  const asked: ReviewAsked = { extract: kept.extract, profile, setting, books: snapshot(books) };
  const planned = reviewOf(asked);
  const all = [limitsOf(kept.limits), limitsOf(teamLimits)];
  const asksBudget = all.some(({ limits }) => limits.some(({ rule }) => rule.is === 'budget'));
  const design = asksBudget && kept.design ? await designAfter(kept.design, asked, books) : null;
  const held = all.map((limits) => holdLimits({ ...asked, review: planned.review, limits, today, design }));
  const answer = joinAnswers(held);
  return { ...planned, asked, limits: await withRemedies(answer, asked, books) };
}

/** What the design costs once the change is taken over. Null: it cannot be held against the review. */
export async function designAfter(
  { design, repository, matches: said }: LinkedDesign,
  { extract, setting }: Pick<ReviewAsked, 'extract' | 'setting'>,
  books: FetchingBooks,
): Promise<DesignAfter | null> {
  if (design.currency !== setting.currency) return null;
  const lines = codeLinesOf(extract);
  const matches = matchLines(design, lines, repository, said);
  let made = 0;
  const newId = (): string => `taken-over-${(made += 1)}`;
  const edits = acceptEdits({ design, lines, matches, repository, pins: setting.books, newId });
  const applied = applyEdits(design, edits);
  if (!applied.ok) return null;
  await books.booksFor(design);
  await books.booksFor(applied.value.design);
  const effect = designEffect(design, edits, snapshot(books));
  return effect.ok ? { after: effect.value.totals.after, budget: design.assumptions.budget ?? null } : null;
}

/** What a review's expressions are priced under. */
export function settingOf({ currency, books, exchange }: KeptReview['pins']): ReviewSetting {
  return { currency, books, assumptions: { month: DEFAULT_MONTH, countAllowances: true, exchange } };
}

/** Checked when it came in. */
export function profileOf(text: string | null): LoadProfile {
  return text === null ? NO_PROFILE : fine(readLoadProfile(text));
}

function limitsOf(text: string | null): Limits {
  return text === null ? { title: '', limits: [], exceptions: [] } : fine(readLimits(text));
}

function fine<T>(read: Checked<T>): T {
  if (!read.ok) throw new Error(read.faults[0]?.message ?? 'A kept file cannot be read.');
  return read.value;
}

/** What is fetched later is another set: nothing that was worked out before may rest on it. */
const snapshot = (books: BookSet): BookSet => ({ get: (book, revision) => books.get(book, revision) });

/** Both sides, and what may be on them, as one design: for whoever has to fetch its prices. */
export function everything(extract: Extract, profile: LoadProfile, setting: ReviewSetting): Design {
  const { before, after } = designsOf(extract, profile, setting);
  const among = extract.resources.flatMap((each) => [...maybe(each.before), ...maybe(each.after)]);
  return {
    ...after,
    sections: [...before.sections, ...after.sections, { id: 'among', name: 'among', components: among }],
  };
}

function maybe(side: MappedSide | null): readonly Component[] {
  return side?.is === 'lines' ? side.lines.flatMap((line) => (line.is === 'unknown' ? line.among : [])) : [];
}

/** Smaller sizes are looked for only where a bound is broken. */
async function withRemedies(
  answer: LimitsAnswer,
  asked: ReviewAsked,
  books: FetchingBooks,
): Promise<LimitsAnswer> {
  if (!answer.broken.some(({ limit }) => limit.rule.is === 'bound')) return answer;
  const meant = new Set(answer.broken.flatMap(({ addresses }) => addresses));
  const grown = asked.extract.resources.flatMap(({ address, after }) =>
    meant.has(address) ? costing(after).map(({ component }) => component) : [],
  );
  await books.booksFor(everything(asked.extract, asked.profile, asked.setting), grown);
  const wider = { ...asked, books: snapshot(books) };
  const again = reviewOf(wider);
  return {
    ...answer,
    broken: answer.broken.map((each) => ({ ...each, remedy: remedyFor(each, { ...wider, planned: again }) })),
  };
}
