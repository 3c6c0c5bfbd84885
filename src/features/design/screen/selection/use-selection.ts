/** Which rows are selected: Shift takes everything up to there, Ctrl that one too; a plain move takes it all back. */
'use client';
import { useCallback, useMemo, useState } from 'react';
import type { Component } from '@/engine/design';
import type { LedgerRow, Reach } from '@/platform/ui/ledger';
import type { Row } from '../rows';

interface Selection {
  readonly anchor: string | null;
  readonly keys: ReadonlySet<string>;
}

const NONE: ReadonlySet<string> = new Set();

/** The keys of a selection after a move of the cursor; only components are selected. */
export function selectionAfter(
  before: Selection,
  from: string | null,
  to: string,
  reach: Reach | undefined,
  rows: readonly LedgerRow<Row>[],
): Selection {
  const isComponent = (key: string): boolean =>
    rows.some((row) => row.key === key && row.data.kind === 'component');
  if (!reach) return { anchor: to, keys: NONE };
  if (reach === 'toggle') {
    const keys = new Set(before.keys);
    // The row one comes from was meant too.
    if (keys.size === 0 && from && from !== to && isComponent(from)) keys.add(from);
    if (keys.has(to)) keys.delete(to);
    else if (isComponent(to)) keys.add(to);
    return { anchor: to, keys };
  }
  const anchor = before.anchor ?? from ?? to;
  const at = (key: string): number => rows.findIndex((row) => row.key === key);
  const [first, last] = [at(anchor), at(to)].sort((a, b) => a - b) as [number, number];
  const between = rows.slice(Math.max(0, first), last + 1).filter((row) => row.data.kind === 'component');
  return { anchor, keys: new Set(between.map((row) => row.key)) };
}

export function useSelection(rows: readonly LedgerRow<Row>[]) {
  const [selection, setSelection] = useState<Selection>({ anchor: null, keys: NONE });
  const move = useCallback(
    (from: string | null, to: string, reach: Reach | undefined) =>
      setSelection((before) => selectionAfter(before, from, to, reach, rows)),
    [rows],
  );
  const selectAll = useCallback(
    () =>
      setSelection({
        anchor: rows[0]?.key ?? null,
        keys: new Set(rows.filter((row) => row.data.kind === 'component').map((row) => row.key)),
      }),
    [rows],
  );
  const clear = useCallback(() => setSelection({ anchor: null, keys: NONE }), []);
  const components = useMemo(
    () =>
      rows.flatMap((row): Component[] =>
        row.data.kind === 'component' && selection.keys.has(row.key) ? [row.data.component] : [],
      ),
    [rows, selection],
  );
  return { keys: selection.keys, components, move, selectAll, clear };
}
