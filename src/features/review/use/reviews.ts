/** Change reviews: received from pipelines or brought in by hand, listed, opened, told how much is used, deleted and restored. */
import { costing, type Extract } from '@/features/review/calc';
import { cut } from '@/engine/base';
import { readLoadProfile } from '@/features/review/format/review/load-schema';
import { readSentReview, type SentReview } from '@/features/review/format/review/sent-review';
import {
  type LinkedDesign,
  profileOf,
  type WorkedReview,
  workReview,
} from '@/features/review/format/review/work-review';
import { AppError, invalid, notFound } from '@/platform/use/app-error';
import { newestExchange } from '@/features/price-books/use/exchange';
import { GrowingBooks } from '@/features/price-books/use/load-books';
import { allow } from '@/platform/use/may';
import type { Context, ReviewListing, ReviewPins, ReviewSummary, StoredReview } from '@/stores/ports';
import { teamLimits } from './team-files';

/** More are worked out after the answer: a request does not wait for them. */
export const MOST_AT_ONCE = 1500;

export interface ReceivedReview {
  readonly review: StoredReview;
  readonly isNew: boolean;
}

/** The same change and commit again is the same review. */
export async function receiveReview(context: Context, data: unknown): Promise<ReceivedReview> {
  allow(context.actor, 'receiveReview');
  const read = readSentReview(data);
  if (!read.ok) throw invalid('The review was refused; nothing was kept.', read.faults, read.more);
  const sent = read.value;
  const pins = await pinsFor(context, sent);
  const { workspace } = context.actor;
  const { id, isNew } = await context.reviews.put(
    workspace,
    context.newId(),
    { ...sent, pins },
    context.now(),
  );
  return { review: await summedUp(context, id, sent), isNew };
}

async function summedUp(context: Context, id: string, sent: SentReview): Promise<StoredReview> {
  const { workspace } = context.actor;
  if (sent.extract.resources.length > MOST_AT_ONCE) await context.queue?.reviewSoon(workspace, id);
  else await refreshReview(context, id);
  const stored = await context.reviews.find(workspace, id);
  if (!stored) throw notFound('review');
  return stored;
}

/** The newest revision of every book that it needs, as of now; in the currency of the book that is named first. */
async function pinsFor(context: Context, { extract, load }: SentReview): Promise<ReviewPins> {
  const { workspace } = context.actor;
  const books = await context.books.list(workspace);
  const named = new Set([...booksNamed(extract), ...(profileOf(load).held ?? []).map(({ book }) => book)]);
  const known = [...named].flatMap((key) => books.find((book) => book.key === key) ?? []);
  const currency = known[0]?.currency ?? books[0]?.currency ?? 'USD';
  return {
    currency,
    books: known.map(({ key, revisions }) => ({ book: key, revision: revisions[0]!.number })),
    exchange: newestExchange(await context.exchange.list(workspace), currency),
  };
}

function booksNamed(extract: Extract): Set<string> {
  const named = new Set<string>();
  for (const { before, after } of extract.resources)
    for (const side of [before, after]) {
      for (const { component } of costing(side)) if (component.place) named.add(component.place.book);
      if (side?.is === 'lines')
        for (const line of side.lines)
          if (line.is === 'unknown') for (const { place } of line.among) if (place) named.add(place.book);
    }
  return named;
}

/** Works it out and keeps what lists show. */
export async function refreshReview(context: Context, id: string): Promise<void> {
  allow(context.actor, 'refreshReview');
  const { workspace } = context.actor;
  const stored = await context.reviews.find(workspace, id);
  if (!stored || stored.summary) return;
  const summary = await (context.sumUp?.(workspace, id) ?? sumUpReview(context, stored));
  if (summary) await context.reviews.saveSummary(workspace, id, stored.revision, summary);
}

/** Worked out whole, right here: priced, and held against its own limits and those of the team. */
export async function workedReview(context: Context, stored: StoredReview): Promise<WorkedReview> {
  allow(context.actor, 'workedReview');
  const { workspace } = context.actor;
  const books = new GrowingBooks(context.books, workspace);
  const today = context.now().toISOString().slice(0, 10);
  const design = await linkedDesign(context, stored.repository);
  return workReview({ ...stored, design }, await teamLimits(context), today, books);
}

export async function sumUpReview(context: Context, stored: StoredReview): Promise<ReviewSummary> {
  allow(context.actor, 'sumUpReview');
  const { review, limits } = await workedReview(context, stored);
  const { before, after, difference, upfront } = review.totals;
  return {
    currency: review.currency,
    before,
    after,
    difference,
    upfront: upfront.difference,
    limits: limits.state,
    broken: limits.broken.map(({ limit }) => limit.id),
    resources: review.rows.length,
    changed: review.rows.filter(({ state }) => state !== 'same').length,
    doubts: review.rows.filter(({ doubts }) => doubts.length > 0).length,
  };
}

/** The design that the code of a repository comes from. */
async function linkedDesign(context: Context, repository: string): Promise<LinkedDesign | null> {
  const { workspace } = context.actor;
  const link = await context.repositoryLinks.find(workspace, repository);
  const found = link && (await context.designs.find(workspace, link.design));
  return found ? { design: found.design, repository, matches: link.matches } : null;
}

/** What is not worked out yet is asked for. */
export async function listReviews(context: Context): Promise<ReviewListing[]> {
  allow(context.actor, 'listReviews');
  const { workspace } = context.actor;
  const listed = await context.reviews.list(workspace);
  for (const { id, summary } of listed) if (!summary) await context.queue?.reviewSoon(workspace, id);
  return listed;
}

/** For the pipeline that sent it: how it stands, without what is in it. */
export async function readReviewState(
  context: Context,
  id: string,
): Promise<Omit<StoredReview, 'extract' | 'load' | 'limits'>> {
  allow(context.actor, 'readReviewState');
  const found = await context.reviews.find(context.actor.workspace, id);
  if (!found) throw notFound('review');
  const { extract: _, load: __, limits: ___, ...state } = found;
  return state;
}

export async function openReview(context: Context, id: string): Promise<StoredReview> {
  allow(context.actor, 'openReview');
  const found = await context.reviews.find(context.actor.workspace, id);
  if (!found) throw notFound('review');
  return found;
}

/** The newest revisions of its books; null: it is priced with them. */
export async function newerPins(
  context: Context,
  { books }: ReviewPins,
): Promise<ReviewPins['books'] | null> {
  allow(context.actor, 'newerPins');
  const known = await context.books.list(context.actor.workspace);
  const newest = books.map((pin) => ({
    book: pin.book,
    revision: known.find(({ key }) => key === pin.book)?.revisions[0]?.number ?? pin.revision,
  }));
  return newest.some(({ revision }, at) => revision !== books[at]!.revision) ? newest : null;
}

export function listCommits(
  context: Context,
  of: Pick<SentReview, 'repository' | 'change'>,
): Promise<ReviewListing[]> {
  allow(context.actor, 'listCommits');
  return context.reviews.commits(context.actor.workspace, of.repository, of.change);
}

/** What was merged into a repository, in order. */
export async function readRepositoryHistory(context: Context, repository: string): Promise<ReviewListing[]> {
  allow(context.actor, 'readRepositoryHistory');
  const merged = await context.reviews.merged(context.actor.workspace, repository);
  if (merged.length > 0) return merged;
  const known = (await context.reviews.list(context.actor.workspace)).some(
    (each) => each.repository === repository,
  );
  if (!known) throw notFound('repository');
  return [];
}

/** The revision that it is kept as. Null takes the profile away. */
export async function saveReviewLoad(
  context: Context,
  id: string,
  { baseRevision, load }: { readonly baseRevision: number; readonly load: string | null },
): Promise<number> {
  allow(context.actor, 'saveReviewLoad');
  const read = load === null ? null : readLoadProfile(load);
  if (read && !read.ok)
    throw invalid(
      `The load profile was refused: ${cut(read.faults[0]?.message ?? '', 200)}`,
      read.faults,
      read.more,
    );
  const saved = await context.reviews.saveLoad(context.actor.workspace, id, baseRevision, load);
  if (saved === null) throw notFound('review');
  if (saved === 'stale')
    throw new AppError('conflict', 'The review was changed meanwhile. Load it again to see what changed.');
  await refreshReview(context, id);
  return saved;
}

export async function deleteReview(context: Context, id: string): Promise<void> {
  allow(context.actor, 'deleteReview');
  if (!(await context.reviews.remove(context.actor.workspace, id, context.now()))) throw notFound('review');
}

export async function restoreReview(context: Context, id: string): Promise<void> {
  allow(context.actor, 'restoreReview');
  if (!(await context.reviews.restore(context.actor.workspace, id))) throw notFound('deleted review');
}
