/** A review for pages: without its extract, which the review worker fetches by itself. */
import 'server-only';
import { cache } from 'react';
import { context } from '@/app/wiring';
import { listCommits, newerPins, openReview } from '@/features/review/use/reviews';
import { readRepositoryLink } from '@/features/review/use/repository-links';
import { teamLimits } from '@/features/review/use/team-files';
import { orNotFound } from './or-not-found';

export const openedReview = cache(async (id: string) => {
  const inside = context();
  const { extract: _, ...review } = await orNotFound(openReview(inside, id));
  const [limits, commits, link, newer] = await Promise.all([
    teamLimits(inside),
    listCommits(inside, review),
    readRepositoryLink(inside, review.repository),
    newerPins(inside, review.pins),
  ]);
  return { review, teamLimits: limits, commits, link, newer, today: inside.now().toISOString().slice(0, 10) };
});
