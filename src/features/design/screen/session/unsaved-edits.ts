/**
 * Edits that are not saved yet, in the browser's store: each window keeps its own, by installation and design, so that
 * two windows never overwrite each other's. A window holds a lock while it lives; what a window left behind that is
 * gone (closed, crashed) is taken over by the next that looks.
 */
import type { PendingBatch } from './session-types';

const TAB = 'wick-tally/tab';

export interface KeptPlace {
  readonly installation: string;
  readonly design: string;
}

const prefixOf = ({ installation, design }: KeptPlace): string =>
  `wick-tally/${installation}/pending/${design}/`;
const lockOf = (tab: string): string => `wick-tally/window/${tab}`;

/** Holds the lock of a window until the page is gone; false: another window holds it. */
function holds(tab: string): Promise<boolean> {
  return new Promise((resolve) => {
    navigator.locks
      .request(lockOf(tab), { ifAvailable: true }, (lock) => {
        resolve(lock !== null);
        return lock && new Promise<never>(() => undefined);
      })
      .catch(() => resolve(false));
  });
}

let mine: Promise<string> | null = null;

/** This window's name: the same after a reload, another in a copy of the window. */
export function thisWindow(): Promise<string> {
  mine ??= (async () => {
    const before = sessionOf(() => sessionStorage.getItem(TAB));
    if (before && (!('locks' in navigator) || (await holds(before)))) return before;
    const fresh = crypto.randomUUID();
    if ('locks' in navigator) await holds(fresh);
    sessionOf(() => sessionStorage.setItem(TAB, fresh));
    return fresh;
  })();
  return mine;
}

function sessionOf<T>(read: () => T): T | null {
  try {
    return read();
  } catch {
    return null;
  }
}

/** False: the store is full or forbidden, and what is not saved does not outlive the page. */
export function writeKept(place: KeptPlace, tab: string, pending: readonly PendingBatch[]): boolean {
  try {
    if (pending.length === 0) localStorage.removeItem(prefixOf(place) + tab);
    else localStorage.setItem(prefixOf(place) + tab, JSON.stringify(pending));
    return true;
  } catch {
    // What stood there is older than what could not be written; both is better than nothing.
    return pending.length === 0;
  }
}

function read(key: string): PendingBatch[] {
  try {
    const value: unknown = JSON.parse(localStorage.getItem(key) ?? '[]');
    return Array.isArray(value) ? (value as PendingBatch[]) : [];
  } catch {
    return [];
  }
}

/** As the version before kept them: one list by design, whichever window. */
function readEarlier(design: string): PendingBatch[] {
  const value = JSON.parse(localStorage.getItem(`wick-tally/pending/${design}`) ?? 'null') as {
    readonly baseRevision: number;
    readonly pending: readonly Pick<PendingBatch, 'batch' | 'edits'>[];
  } | null;
  const from = value?.baseRevision ?? 0;
  return (value?.pending ?? []).map(({ batch, edits }) => ({ batch, edits, from, tab: 'earlier' }));
}

export const readOwn = (place: KeptPlace, tab: string): PendingBatch[] =>
  sessionOf(() => read(prefixOf(place) + tab)) ?? [];

/**
 * Hands what windows left behind that are gone to `adopt`, and forgets it there once it is kept here. One window at a
 * time, so that two that look at once do not both take it.
 */
export async function adoptLeft(
  place: KeptPlace,
  adopt: (pending: readonly PendingBatch[]) => boolean,
): Promise<void> {
  if (!('locks' in navigator)) return;
  const own = await thisWindow();
  await navigator.locks.request(`wick-tally/adopt/${place.design}`, async () => {
    const { held = [] } = await navigator.locks.query();
    const alive = new Set(held.map((lock) => lock.name));
    const prefix = prefixOf(place);
    const earlier = sessionOf(() => readEarlier(place.design)) ?? [];
    if (earlier.length > 0 && adopt(earlier)) localStorage.removeItem(`wick-tally/pending/${place.design}`);
    for (const key of Object.keys(localStorage).filter((each) => each.startsWith(prefix))) {
      const tab = key.slice(prefix.length);
      if (tab === own || alive.has(lockOf(tab))) continue;
      const pending = read(key);
      if (pending.length === 0 || adopt(pending)) localStorage.removeItem(key);
    }
  });
}
