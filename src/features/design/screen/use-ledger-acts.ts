/** What keys and the mouse do to rows: remove, move, write on, fill down. */
'use client';
import type { KeyboardEvent } from 'react';
import type { Component, Design, Edit } from '@/engine/design';
import type { LedgerCursor, LedgerRow } from '@/platform/ui/ledger';
import { tell } from '@/platform/ui/toast';
import type { Row } from './rows';
import { fillDown, removeAll } from './selection/bulk-edits';

interface LedgerActs {
  readonly design: Design;
  readonly rows: readonly LedgerRow<Row>[];
  readonly cursor: LedgerCursor | null;
  readonly selected: readonly Component[];
  readonly apply: (edits: readonly Edit[]) => boolean;
  readonly undo: () => void;
  readonly moveCursor: (cursor: LedgerCursor) => void;
  readonly selectAll: () => void;
  readonly selectNone: () => void;
  readonly openKinds: (row: string) => void;
  readonly showKeys: () => void;
}

export function ledgerActs(acts: LedgerActs) {
  const { design, rows, cursor, selected, apply, moveCursor } = acts;
  const undo = { label: 'Undo', run: acts.undo };
  const removeSelected = (): boolean => {
    if (apply(removeAll(selected))) tell(`${selected.length} lines were removed.`, undo);
    acts.selectNone();
    return true;
  };
  const remove = (row: Row): boolean => {
    if (selected.length > 1) return removeSelected();
    if (row.kind === 'component') {
      const at = rows.findIndex((each) => each.key === row.component.id);
      if (apply([{ edit: 'remove-component', id: row.component.id }]))
        tell(`“${row.component.name}” was removed.`, undo);
      const next = rows[at + 1] ?? rows[at - 1];
      if (next) moveCursor({ row: next.key, column: cursor?.column ?? 'name' });
    } else if (row.kind === 'section') {
      if (apply([{ edit: 'remove-section', id: row.section.id }]))
        tell(`The section “${row.section.name}” was removed.`, undo);
    } else return false;
    return true;
  };
  const writeNext = (section: string): void => {
    const key = `${section}/next`;
    moveCursor({ row: key, column: 'name' });
    requestAnimationFrame(() => acts.openKinds(key));
  };
  /** One row up or down; over the edge into the section beside. */
  const step = (row: Row, by: 1 | -1): void => {
    if (row.kind !== 'component') return;
    const { component, section } = row;
    const index = section.components.indexOf(component) + by;
    const beside = design.sections[design.sections.indexOf(section) + by];
    if (index >= 0 && index < section.components.length)
      apply([{ edit: 'move-component', id: component.id, section: section.id, index }]);
    else if (beside) {
      const at = by > 0 ? 0 : beside.components.length;
      apply([{ edit: 'move-component', id: component.id, section: beside.id, index: at }]);
    }
  };
  const fill = (): boolean => {
    const edits = fillDown(selected, cursor?.column ?? '');
    if (edits.length === 0) tell('Select lines with Shift and an arrow, in the column to fill down.');
    else if (apply(edits)) tell(`${edits.length} lines were filled from the first.`, undo);
    return true;
  };
  const onKey = (event: KeyboardEvent, row: LedgerRow<Row> | undefined): boolean => {
    // Taken here: otherwise it would be typed into the cell.
    if (event.key === '?') {
      acts.showKeys();
      return true;
    }
    if (!row) return false;
    const far = event.ctrlKey || event.metaKey;
    const letter = far ? event.key.toLowerCase() : '';
    if (event.key === 'Delete') return remove(row.data);
    if (letter === 'd') return fill();
    if (letter === 'a') {
      acts.selectAll();
      return true;
    }
    if (event.key === 'Escape' && selected.length > 0) {
      acts.selectNone();
      return true;
    }
    if (event.key === 'Enter' && far && row.data.kind !== 'next-section') {
      writeNext(row.data.section.id);
      return true;
    }
    if (!event.altKey || row.data.kind !== 'component') return false;
    if (event.key === 'ArrowUp') step(row.data, -1);
    else if (event.key === 'ArrowDown') step(row.data, 1);
    else return false;
    return true;
  };
  return { onKey, writeNext, fill, onDrop: (row: Row, onto: Row) => drop(row, onto, apply) };
}

/** Dropped on a line it takes that line's place; on a section its first; on a blank line the last. */
function drop(row: Row, onto: Row, apply: (edits: readonly Edit[]) => boolean): void {
  if (row.kind !== 'component' || onto.kind === 'next-section') return;
  const { section } = onto;
  const index =
    onto.kind === 'component'
      ? section.components.indexOf(onto.component)
      : onto.kind === 'section'
        ? 0
        : section.components.length;
  apply([{ edit: 'move-component', id: row.component.id, section: section.id, index }]);
}
