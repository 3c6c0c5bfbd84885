/** What every view of a review knows: the review, its load profile, who works it out, what it says. */
'use client';
import { createContext, useContext } from 'react';
import type { BookPin } from '@/engine/design';
import type { RepositoryLink, ReviewListing, StoredReview } from '@/features/review/use/review-ports';
import type { ReviewClient } from '@/features/review/worker/review-client';
import type {
  NamedWhatIf,
  OfReview,
  ReviewAnswers,
  ReviewQuestion,
  WorkAnswer,
} from '@/features/review/worker/review-protocol';
import { type Asked, useAskedOf } from '@/platform/screen/use-asked-of';

export interface OpenedReview {
  readonly review: Omit<StoredReview, 'extract'>;
  readonly teamLimits: string | null;
  readonly commits: readonly ReviewListing[];
  readonly link: RepositoryLink | null;
  /** The newest revisions of its books; null: it is priced with them. */
  readonly newer: readonly BookPin[] | null;
  /** ISO date. */
  readonly today: string;
}

export interface ReviewRoomValue extends OpenedReview {
  readonly of: OfReview;
  readonly client: ReviewClient | null;
  readonly answer: Asked<WorkAnswer>;
  readonly whatIfs: readonly NamedWhatIf[];
  readonly setWhatIfs: (all: readonly NamedWhatIf[]) => void;
  /** Of the load profile, as YAML; null: there is none. */
  readonly setLoad: (text: string | null) => void;
}

export const ReviewContext = createContext<ReviewRoomValue | null>(null);

export function useReview(): ReviewRoomValue {
  const room = useContext(ReviewContext);
  if (!room) throw new Error('There is no review above this.');
  return room;
}

/** `question` null: nothing is asked. Before the worker is there, an answer is waited for, too. */
export function useReviewAsked<Q extends ReviewQuestion>(question: Q | null): Asked<ReviewAnswers[Q['ask']]> {
  const { client } = useReview();
  const asked = useAskedOf<ReviewAnswers[Q['ask']]>(client, question);
  return { ...asked, isWaiting: question !== null && (client === null || asked.isWaiting) };
}
