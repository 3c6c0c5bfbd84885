/** What may be done with watches: kept, deleted, brought back. */
'use client';
import { useRouter } from 'next/navigation';
import { useMemo } from 'react';
import type { Watch } from '@/features/alerts/calc';
import { callApi } from '@/platform/screen/call-api';
import { removeWithUndo } from '@/platform/screen/told-acts';

export function useWatchActs() {
  const router = useRouter();
  return useMemo(
    () => ({
      /** Throws what the server says against it. */
      save: async (id: string, baseRevision: number, watch: Watch): Promise<void> => {
        await callApi(`/api/watches/${id}`, {
          method: 'PUT',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ baseRevision, watch }),
        });
        router.refresh();
      },
      remove: (id: string, name: string): void =>
        removeWithUndo(`/api/watches/${id}`, name, () => router.refresh()),
    }),
    [router],
  );
}
