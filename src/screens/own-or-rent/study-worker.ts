/** The study worker of a page: started when somebody listens, ended when nobody does. */
'use client';
import { useSyncExternalStore } from 'react';
import { startStudyWorker, type StudyClient } from '@/workers/study-client';

let client: StudyClient | null = null;
let listeners = 0;

function subscribe(listener: () => void): () => void {
  listeners += 1;
  if (!client) {
    client = startStudyWorker();
    listener();
  }
  return () => {
    listeners -= 1;
    if (listeners > 0) return;
    client?.close();
    client = null;
  };
}

export const useStudyWorker = (): StudyClient | null =>
  useSyncExternalStore(
    subscribe,
    () => client,
    () => null,
  );
