/** The demo's change reviews: read, mapped and received as a pipeline's are; the comment and the check as it left them. */
import {
  extractOf,
  joinMaps,
  type LimitsAnswer,
  type Review,
  type WhatIfColumn,
} from '@/features/review/calc';
import { workReview } from '@/features/review/format/review/work-review';
import { readPlan } from '@/features/review/format/plan/read-plan';
import { readResourceMap } from '@/features/review/format/review/map-schema';
import type { Checked } from '@/platform/formats/faults';
import { type Context } from '@/stores/ports';
import { receiveReview } from '@/features/review/use/reviews';
import { GrowingBooks } from '@/features/price-books/use/load-books';
import { DEMO_CHANGES, standInForge } from './forge';
import { DEMO_MAPS } from './maps';

const HOUR = 3_600_000;

/** As the command writes it for the discussion of a change. */
export type TellReview = (told: {
  readonly review: Review;
  readonly limits: LimitsAnswer;
  readonly whatIfs: readonly WhatIfColumn[];
}) => string;

function fine<T>(read: Checked<T>): T {
  if (!read.ok) throw new Error(read.faults[0]?.message);
  return read.value;
}

/** May run again: a review that is there is the same review. */
export async function loadReviews(context: Context, tell: TellReview): Promise<void> {
  const { workspace } = context.actor;
  const forge = standInForge(context.standIn);
  const map = joinMaps(Object.values(DEMO_MAPS).map((text) => fine(readResourceMap(text, false))));
  for (const demo of DEMO_CHANGES) {
    const { repository, change, branch, title, author, commits, pushed, load, limits } = demo;
    const ago = (hours: number): Date => new Date(context.now().getTime() - hours * HOUR);
    const commit = commits[pushed - 1]!;
    const extract = extractOf(fine(readPlan(commit.plan())), map);
    const hand = (phase: 'open' | 'merged', hours: number) =>
      receiveReview(
        { ...context, now: () => ago(hours) },
        {
          ...{ wick: 'change-review', version: 1, repository, change, commit: commit.commit },
          ...{ branch, title, author, phase, extract, load, limits },
        },
      );
    const { review } = await hand('open', demo.hoursAgo);
    if (demo.mergedHoursAgo !== undefined) await hand('merged', demo.mergedHoursAgo);
    const today = ago(demo.hoursAgo).toISOString().slice(0, 10);
    const books = new GrowingBooks(context.books, workspace);
    const worked = await workReview(review, null, today, books);
    const text = tell({ review: worked.review, limits: worked.limits, whatIfs: [] });
    await forge.say(workspace, repository, change, text, ago(demo.hoursAgo));
    const words = text.split('\n')[0]!.replaceAll('**', '').replaceAll('\\', '');
    await forge.check(workspace, repository, change, {
      state: worked.limits.state === 'failed' ? 'failed' : 'passed',
      words,
    });
  }
}
