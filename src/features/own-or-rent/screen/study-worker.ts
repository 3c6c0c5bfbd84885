/** The study worker of a page. */
'use client';
import { startStudyWorker } from '@/features/own-or-rent/worker/study-client';
import { pageWorker } from '@/platform/screen/page-worker';

export const useStudyWorker = pageWorker(startStudyWorker);
