/** The study worker of a page. */
'use client';
import { startStudyWorker } from '@/workers/study-client';
import { pageWorker } from '../lib/page-worker';

export const useStudyWorker = pageWorker(startStudyWorker);
