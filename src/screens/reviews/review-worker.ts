/** The review worker of a page. */
'use client';
import { startReviewWorker } from '@/workers/review-client';
import { pageWorker } from '../lib/page-worker';

export const useReviewWorker = pageWorker(startReviewWorker);
