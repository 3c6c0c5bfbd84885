/** Where the cursor is, and what the margin is therefore about. */
'use client';
import { useCallback, useState } from 'react';
import type { LedgerCursor, Reach } from '@/ui/ledger';
import { type MarginView, VIEW_OF_COLUMN } from './margin/component-margin';

/** The margin's subject where no row is. */
export const WHOLE_DESIGN = 'design';

export function useCursor(
  first: string | null,
  moveSelection: (from: string | null, to: string, reach: Reach | undefined) => void,
) {
  const [cursor, setCursor] = useState<LedgerCursor | null>(first ? { row: first, column: 'name' } : null);
  const [subject, setSubject] = useState<string>(WHOLE_DESIGN);
  const [view, setView] = useState<MarginView>('settings');
  const moveCursor = useCallback(
    (next: LedgerCursor, reach?: Reach) => {
      moveSelection(cursor?.row ?? null, next.row, reach);
      setCursor(next);
      setSubject(next.row);
      setView(VIEW_OF_COLUMN[next.column] ?? 'settings');
    },
    [cursor, moveSelection],
  );
  return { cursor, subject, view, setView, setSubject, moveCursor };
}
