/** A worker of a page: started when somebody listens, ended when nobody does. */
'use client';
import { useSyncExternalStore } from 'react';

interface Closing {
  close(): void;
}

/** Makes the hook; null until the page is awake. One worker for all who listen at a time. */
export function pageWorker<Client extends Closing>(start: () => Client): () => Client | null {
  let client: Client | null = null;
  let listeners = 0;
  const subscribe = (listener: () => void): (() => void) => {
    listeners += 1;
    if (!client) {
      client = start();
      listener();
    }
    return () => {
      listeners -= 1;
      if (listeners > 0) return;
      client?.close();
      client = null;
    };
  };
  const now = (): Client | null => client;
  const asleep = (): null => null;
  return function usePageWorker() {
    return useSyncExternalStore(subscribe, now, asleep);
  };
}
