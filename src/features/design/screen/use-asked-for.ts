/** What is looked at, as the address says it; changed at once and without the server, so that it can be sent to someone. */
'use client';
import { usePathname, useSearchParams } from 'next/navigation';
import { useCallback } from 'react';

interface AskedFor {
  readonly get: (name: string) => string | null;
  /** Null takes a part of the address away. */
  readonly set: (change: Readonly<Record<string, string | null>>) => void;
}

export function useAskedFor(): AskedFor {
  const path = usePathname();
  const params = useSearchParams();
  const get = useCallback((name: string) => params.get(name), [params]);
  const set = useCallback(
    (change: Readonly<Record<string, string | null>>) => {
      // As it stands now: two changes may come before the first one is drawn.
      const query = new URLSearchParams(window.location.search);
      for (const [name, value] of Object.entries(change)) {
        if (value === null) query.delete(name);
        else query.set(name, value);
      }
      window.history.replaceState(null, '', `${path}?${query}`);
    },
    [path],
  );
  return { get, set };
}
