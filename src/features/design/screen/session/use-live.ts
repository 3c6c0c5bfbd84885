/** Others' edits as they are saved, and how many have the design open. A broken connection comes back by itself. */
'use client';
import { useEffect, useState } from 'react';
import { callApi } from '@/platform/screen/call-api';
import type { DesignSession, Since } from './design-session';

/** One's own saves are answered before this; what is left is somebody else's. */
const WAIT = 150;

export function useLive(id: string, session: DesignSession): number {
  const [present, setPresent] = useState(1);
  useEffect(() => {
    const source = new EventSource(`/api/designs/${id}/live`);
    let newest = 0;
    let asking = false;
    const ask = async (): Promise<void> => {
      if (asking) return;
      asking = true;
      try {
        while (newest > session.getState().revision) {
          const { revision } = session.getState();
          const since = await callApi<Since>(`/api/designs/${id}/edits?since=${revision}`);
          session.catchUp(since);
          newest = Math.max(newest, since.revision);
        }
      } catch {
        // The next event, or the next edit, asks again.
      } finally {
        asking = false;
      }
    };
    source.addEventListener('revision', (event: MessageEvent<string>) => {
      newest = Math.max(newest, Number(event.data));
      setTimeout(() => void ask(), WAIT);
    });
    source.addEventListener('present', (event: MessageEvent<string>) => setPresent(Number(event.data)));
    return () => source.close();
  }, [id, session]);
  return present;
}
