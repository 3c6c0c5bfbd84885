/** What the open design adds to the find field: its components and its actions. */
'use client';
import { useMemo } from 'react';
import { kindOf } from '@/core/books';
import type { LedgerCursor, LedgerRow } from '@/ui/ledger';
import { type Findable, useFindable } from '../frame/find';
import { saveFile } from '../lib/save-file';
import type { ExportForm } from './design-head';
import type { Row } from './rows';

interface FindItems {
  readonly id: string;
  readonly rows: readonly LedgerRow<Row>[];
  readonly moveCursor: (cursor: LedgerCursor) => void;
  readonly toLedger: () => void;
  readonly addSection: () => void;
  readonly undo: () => void;
  readonly showKeys: () => void;
}

export function useFindItems({
  id,
  rows,
  moveCursor,
  toLedger,
  addSection,
  undo,
  showKeys,
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
      act('csv', 'Export as CSV', () => download(id, 'csv')),
      act('xlsx', 'Export as XLSX, with live formulas', () => download(id, 'xlsx')),
      act('pdf', 'Export as PDF', () => download(id, 'pdf')),
      act('json', 'Export as JSON', () => download(id, 'json')),
      act('keys', 'Show the keys', later(showKeys), '?'),
    ];
  }, [addSection, id, moveCursor, rows, showKeys, toLedger, undo]);
  useFindable('design', items);
}

/** Saves the design as a file; the server names it. */
export function download(id: string, form: ExportForm): void {
  const route = form === 'csv' || form === 'json' ? 'export' : 'report';
  saveFile(`/api/designs/${id}/${route}?form=${form}`);
}
