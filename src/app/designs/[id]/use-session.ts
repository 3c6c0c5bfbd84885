/** The design session as React state. */
'use client';
import { useEffect, useState, useSyncExternalStore } from 'react';
import type { Design } from '@/core/design';
import type { AmountsBefore } from '@/operations';
import { DesignSession, type SessionState } from './session/design-session';
import { browserOutside, readKept } from './session/outside';

export interface Initial {
  readonly design: Design;
  readonly revision: number;
  readonly updatedAt: string;
  /** What it came to by the calculation before, where nobody has edited since. */
  readonly before: AmountsBefore | null;
}

export function useSession(
  id: string,
  initial: Initial,
): { readonly session: DesignSession; readonly state: SessionState } {
  const [session, setSession] = useState(() => new DesignSession(initial, browserOutside(id)));
  useEffect(() => {
    const kept = readKept(id);
    if (!kept) return;
    // Edits from before a reload are only known in the browser, after the page is there.
    const resumed = new DesignSession(initial, browserOutside(id), kept);
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setSession(resumed);
    resumed.start();
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, when the page opens
  }, []);
  useEffect(() => {
    const warn = (event: BeforeUnloadEvent): void => {
      if (session.getState().saving === 'saving') event.preventDefault();
    };
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [session]);
  const state = useSyncExternalStore(session.subscribe, session.getState, session.getState);
  return { session, state };
}
