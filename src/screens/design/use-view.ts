/** Ledger or checklist: in the address, so that it can be sent, and without leaving the page, so that undo goes on. */
'use client';
import { useSearchParams } from 'next/navigation';
import { useCallback } from 'react';

export type PageView = 'ledger' | 'checklist';

export function useView(id: string): readonly [PageView, (view: PageView) => void] {
  const view = useSearchParams().get('view') === 'checklist' ? 'checklist' : 'ledger';
  const show = useCallback(
    (next: PageView) => {
      window.history.pushState(null, '', `/designs/${id}${next === 'ledger' ? '' : `?view=${next}`}`);
    },
    [id],
  );
  return [view, show];
}

/** Gives the ledger the focus. */
export function toLedger(): void {
  document.querySelector<HTMLElement>('[role=grid]')?.focus();
}
