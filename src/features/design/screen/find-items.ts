/** What the open design adds to the find field: its components and its actions. */
'use client';
import { useMemo } from 'react';
import { kindOf } from '@/engine/books';
import type { LedgerCursor, LedgerRow } from '@/platform/ui/ledger';
import { type Findable, useFindable } from '@/platform/shell/find';
import { saveFile } from '@/platform/screen/save-file';
import type { ExportForm } from './design-head';
import type { Row } from './rows';

interface FindItems {
  readonly rows: readonly LedgerRow<Row>[];
  readonly moveCursor: (cursor: LedgerCursor) => void;
  readonly toLedger: () => void;
  readonly addSection: () => void;
  readonly undo: () => void;
  readonly showKeys: () => void;
  readonly exportAs: (form: ExportForm) => void;
}

export function useFindItems({
  rows,
  moveCursor,
  toLedger,
  addSection,
  undo,
  showKeys,
  exportAs,
}: FindItems): void {
  const items = useMemo<readonly Findable[]>(() => {
    const act = (key: string, label: string, run: () => void, detail?: string): Findable => ({
      key,
      group: 'Actions',
      label,
      run,
      detail,
    });
    // The dialog gives the focus back first; what takes the focus comes after.
    const later = (run: () => void) => () => void setTimeout(run, 50);
    return [
      ...rows.flatMap((row): Findable[] =>
        row.data.kind !== 'component'
          ? []
          : [
              {
                key: row.key,
                group: 'In this design',
                label: row.data.component.name,
                detail: kindOf(row.data.component.kind).label,
                run: later(() => {
                  moveCursor({ row: row.key, column: 'name' });
                  toLedger();
                }),
              },
            ],
      ),
      act('undo', 'Undo', undo, 'Ctrl Z'),
      act('section', 'Add a section', later(addSection)),
      act('csv', 'Export as CSV', () => exportAs('csv')),
      act('xlsx', 'Export as XLSX, with live formulas', () => exportAs('xlsx')),
      act('pdf', 'Export as PDF', () => exportAs('pdf')),
      act('json', 'Export as JSON', () => exportAs('json')),
      act('keys', 'Show the keys', later(showKeys), '?'),
    ];
  }, [addSection, exportAs, moveCursor, rows, showKeys, toLedger, undo]);
  useFindable('design', items);
}

/** Saves the design as a file; the server names it. */
export function download(id: string, form: 'csv' | 'json'): void {
  saveFile(`/api/designs/${id}/export?form=${form}`);
}
