/** The review worker of a page: started when somebody listens, ended when nobody does. */
'use client';
import { useSyncExternalStore } from 'react';
import { type ReviewClient, startReviewWorker } from '@/workers/review-client';

let client: ReviewClient | null = null;
let listeners = 0;

function subscribe(listener: () => void): () => void {
  listeners += 1;
  if (!client) {
    client = startReviewWorker();
    listener();
  }
  return () => {
    listeners -= 1;
    if (listeners > 0) return;
    client?.close();
    client = null;
  };
}

export const useReviewWorker = (): ReviewClient | null =>
  useSyncExternalStore(
    subscribe,
    () => client,
    () => null,
  );
