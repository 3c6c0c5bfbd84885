/** Where the cursor is, and what the margin is therefore about. Kept above the views of a design. */
'use client';
import { useCallback } from 'react';
import type { LedgerCursor, Reach } from '@/platform/ui/ledger';
import { type MarginView, VIEW_OF_COLUMN } from './margin/component-margin';

/** The margin's subject where no row is. */
export const WHOLE_DESIGN = 'design';

export interface Place {
  readonly cursor: LedgerCursor | null;
  /** Key of the row that the margin is about. */
  readonly subject: string;
  readonly view: MarginView;
}

export function firstPlace(row: string | null): Place {
  return { cursor: row ? { row, column: 'name' } : null, subject: WHOLE_DESIGN, view: 'settings' };
}

export function placeAt(cursor: LedgerCursor): Place {
  return { cursor, subject: cursor.row, view: VIEW_OF_COLUMN[cursor.column] ?? 'settings' };
}

export function useCursor(
  { cursor, subject, view }: Place,
  setPlace: (change: (before: Place) => Place) => void,
  moveSelection: (from: string | null, to: string, reach: Reach | undefined) => void,
) {
  const setView = useCallback(
    (next: MarginView) => setPlace((before) => ({ ...before, view: next })),
    [setPlace],
  );
  const moveCursor = useCallback(
    (next: LedgerCursor, reach?: Reach) => {
      moveSelection(cursor?.row ?? null, next.row, reach);
      setPlace(() => placeAt(next));
    },
    [cursor, moveSelection, setPlace],
  );
  return { cursor, subject, view, setView, moveCursor };
}
