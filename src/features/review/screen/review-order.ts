/** Which reviews are shown, and in which order. */
import { decimal } from '@/engine/base';
import type { ReviewListing } from '@/features/review/use/review-ports';

export const SHOWN = [
  ['open', 'open'],
  ['merged', 'merged'],
  ['broken', 'limits broken'],
  ['unknown', 'not all known'],
  ['all', 'all'],
] as const;
export type Shown = (typeof SHOWN)[number][0];

export const ORDERS = [
  ['newest', 'newest first'],
  ['dearest', 'what costs more first'],
  ['repository', 'repository'],
  ['author', 'author'],
] as const;
export type Order = (typeof ORDERS)[number][0];

const isShown: Readonly<Record<Shown, (review: ReviewListing) => boolean>> = {
  open: ({ phase }) => phase === 'open',
  merged: ({ phase }) => phase === 'merged',
  broken: ({ summary }) => summary !== null && summary.limits !== 'kept',
  unknown: ({ summary }) => summary !== null && summary.doubts > 0,
  all: () => true,
};

const alphabetical = (a: string, b: string): number => a.localeCompare(b, 'en');
const newest = (a: ReviewListing, b: ReviewListing): number => (a.createdAt < b.createdAt ? 1 : -1);

const COMPARED: Readonly<Record<Order, (a: ReviewListing, b: ReviewListing) => number>> = {
  newest,
  dearest: (a, b) =>
    decimal(b.summary?.difference ?? '0').comparedTo(decimal(a.summary?.difference ?? '0')) || newest(a, b),
  repository: (a, b) => alphabetical(a.repository, b.repository) || newest(a, b),
  author: (a, b) => alphabetical(a.author, b.author) || newest(a, b),
};

/** Every word has to be found somewhere in it. */
export function shownReviews(
  reviews: readonly ReviewListing[],
  shown: Shown,
  order: Order,
  words: string,
): ReviewListing[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  return reviews
    .filter((review) => {
      const { repository, change, title, author, branch } = review;
      const text = [repository, change, title, author, branch].join(' ').toLowerCase();
      return isShown[shown](review) && wanted.every((word) => text.includes(word));
    })
    .sort(COMPARED[order]);
}
