/** The review worker of a page. */
'use client';
import { startReviewWorker } from '@/features/review/worker/review-client';
import { pageWorker } from '@/platform/screen/page-worker';

export const useReviewWorker = pageWorker(startReviewWorker);
