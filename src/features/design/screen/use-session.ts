/** The design session as React state. */
'use client';
import { useEffect, useState, useSyncExternalStore } from 'react';
import type { Design } from '@/engine/design';
import type { AmountsBefore } from '@/stores/ports';
import { DesignSession, type SessionState } from './session/design-session';
import { adoptLeft, readOwn, thisWindow } from './session/unsaved-edits';
import { browserOutside } from './session/outside';

export interface Initial {
  /** What the browser keeps is kept for this one. */
  readonly installation: string;
  readonly design: Design;
  readonly revision: number;
  readonly updatedAt: string;
  /** What it came to by the calculation before, where nobody has edited since. */
  readonly before: AmountsBefore | null;
}

/** Milliseconds between two looks for what windows left that are gone. */
const LOOK = 15_000;

export function useSession(
  design: string,
  initial: Initial,
): { readonly session: DesignSession; readonly state: SessionState } {
  const { installation } = initial;
  const [session] = useState(
    () => new DesignSession(initial, browserOutside({ installation, design }), crypto.randomUUID()),
  );
  useEffect(() => {
    const here = { installation, design };
    let gone = false;
    const look = (): void => {
      if (gone || session.getState().saving === 'unreachable') return;
      void adoptLeft(here, (pending) => session.adopt(pending)).catch(() => undefined);
    };
    // Edits from before a reload are only known in the browser, after the page is there.
    void thisWindow().then((tab) => {
      if (gone) return;
      session.adopt(readOwn(here, tab));
      look();
    });
    const timer = setInterval(look, LOOK);
    window.addEventListener('focus', look);
    return () => {
      gone = true;
      clearInterval(timer);
      window.removeEventListener('focus', look);
    };
  }, [installation, design, session]);
  useEffect(() => {
    const warn = (event: BeforeUnloadEvent): void => {
      const { saving, keeps } = session.getState();
      if (saving === 'saving' || !keeps) event.preventDefault();
    };
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [session]);
  const state = useSyncExternalStore(session.subscribe, session.getState, session.getState);
  return { session, state };
}
