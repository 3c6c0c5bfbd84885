/** The page's side of its review worker. */
import { AskingClient } from '@/platform/workers/asking-client';
import type { ReviewAnswers, ReviewQuestion } from './review-protocol';

export type ReviewClient = AskingClient<ReviewQuestion, ReviewAnswers>;

export function startReviewWorker(): ReviewClient {
  return new AskingClient(
    new Worker(new URL('./review.worker.ts', import.meta.url), { type: 'module' }),
    'change reviews',
  );
}
