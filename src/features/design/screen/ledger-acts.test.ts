/** What keys, the mouse and the filter do to rows. */
import type { KeyboardEvent } from 'react';
import { describe, expect, it, vi } from 'vitest';
import { smallBooks } from '@tests/support/books';
import { designOf, serverOf, transferOf, volumeOf } from '@tests/support/designs';
import { applyEdits, type Component, type Design, type Edit } from '@/engine/design';
import { summarise } from '@/engine/summary';
import { pinsFor } from './adding';
import { filteredRows, type Filtering, NO_FILTER } from './ledger-view';
import { rowsOf } from './rows';
import { ledgerActs } from './use-ledger-acts';

vi.mock('@/platform/ui/toast', () => ({ tell: vi.fn() }));

const design: Design = {
  ...designOf([]),
  sections: [
    {
      id: 's1',
      name: 'Front',
      components: [
        serverOf('a', { name: 'Web', count: { likely: '2', heavy: '5' } }),
        serverOf('b', { name: 'Gate', choice: { by: 'none' } }),
      ],
    },
    {
      id: 's2',
      name: 'Data',
      components: [
        volumeOf('v', { likely: '80' }, { name: 'Disk', guesses: ['usage/capacity'] }),
        transferOf('out', { likely: '300' }, { name: 'Pages out' }),
      ],
    },
  ],
};
const summary = summarise(design, smallBooks());
const rows = rowsOf(design, summary);

function acting(selected: readonly Component[] = [], column = 'name') {
  let current = design;
  const done: string[] = [];
  const acts = ledgerActs({
    design,
    rows,
    cursor: { row: 'a', column },
    selected,
    apply: (edits: readonly Edit[]) => {
      const applied = applyEdits(current, edits);
      if (applied.ok) current = applied.value.design;
      return applied.ok;
    },
    undo: () => done.push('undo'),
    moveCursor: (cursor) => done.push(`to ${cursor.row}`),
    selectAll: () => done.push('all'),
    selectNone: () => done.push('none'),
    openKinds: (row) => done.push(`kinds ${row}`),
    showKeys: () => done.push('keys'),
  });
  const press = (key: string, row: string, part: Partial<KeyboardEvent> = {}): boolean =>
    acts.onKey({ key, ctrlKey: false, metaKey: false, altKey: false, ...part } as KeyboardEvent, rowAt(row));
  return {
    acts,
    press,
    done,
    ids: () => current.sections.map(({ components }) => components.map(({ id }) => id)),
  };
}
const rowAt = (key: string) => rows.find((row) => row.key === key);

describe('keys on a row', () => {
  it('remove the line, the section, or the whole selection', () => {
    const one = acting();
    expect(one.press('Delete', 'a')).toBe(true);
    expect([one.ids(), one.done]).toEqual([[['b'], ['v', 'out']], ['to b']]);
    const section = acting();
    section.press('Delete', 's1');
    expect(section.ids()).toEqual([['v', 'out']]);
    const many = acting([design.sections[0]!.components[0]!, design.sections[1]!.components[0]!]);
    many.press('Delete', 'out');
    expect([many.ids(), many.done]).toEqual([[['b'], ['out']], ['none']]);
    expect(acting().press('Delete', 'next-section')).toBe(false);
  });

  it('move a line within its section and over its edge into the next', () => {
    const down = acting();
    down.press('ArrowDown', 'a', { altKey: true });
    expect(down.ids()).toEqual([
      ['b', 'a'],
      ['v', 'out'],
    ]);
    const over = acting();
    over.press('ArrowDown', 'b', { altKey: true });
    expect(over.ids()).toEqual([['a'], ['b', 'v', 'out']]);
    const back = acting();
    back.press('ArrowUp', 'v', { altKey: true });
    expect(back.ids()).toEqual([['a', 'b', 'v'], ['out']]);
    const top = acting();
    expect(top.press('ArrowUp', 'a', { altKey: true })).toBe(true);
    expect(top.ids()).toEqual([
      ['a', 'b'],
      ['v', 'out'],
    ]);
    expect(acting().press('ArrowDown', 'a')).toBe(false);
  });

  it('select all and none, and leave other keys alone', () => {
    const keys = acting(design.sections[0]!.components);
    expect([keys.press('a', 'a', { ctrlKey: true }), keys.press('Escape', 'a')]).toEqual([true, true]);
    expect(keys.done).toEqual(['all', 'none']);
    const plain = acting();
    expect([plain.press('Escape', 'a'), plain.press('x', 'a')]).toEqual([false, false]);
    expect([plain.press('?', 'a'), plain.done]).toEqual([true, ['keys']]);
  });

  it('fill the column down over the selection', () => {
    const fill = acting(design.sections[0]!.components, 'count');
    expect(fill.press('d', 'a', { ctrlKey: true })).toBe(true);
    expect(fill.done).toEqual([]);
  });
});

describe('a dropped row', () => {
  const drop = (row: string, onto: string): string[][] => {
    const dragging = acting();
    dragging.acts.onDrop(rowAt(row)!.data, rowAt(onto)!.data);
    return dragging.ids();
  };

  it('takes the place of a line, the first of a section, the last before its blank line', () => {
    expect(drop('out', 'a')).toEqual([['out', 'a', 'b'], ['v']]);
    expect(drop('a', 's2')).toEqual([['b'], ['a', 'v', 'out']]);
    expect(drop('a', 's2/next')).toEqual([['b'], ['v', 'out', 'a']]);
    expect(drop('a', 'next-section')).toEqual([
      ['a', 'b'],
      ['v', 'out'],
    ]);
    expect(drop('s1', 'v')).toEqual([
      ['a', 'b'],
      ['v', 'out'],
    ]);
  });
});

describe('the filter', () => {
  const shown = (part: Partial<Filtering>): string[] =>
    filteredRows(rows, { ...NO_FILTER, ...part }, () => 'Small, Severn').map((row) => row.key);

  it('shows everything, blank lines too, where nothing is asked', () => {
    expect(shown({})).toEqual(rows.map((row) => row.key));
    expect(shown({ words: '  ' })).toEqual(rows.map((row) => row.key));
  });

  it.each<[Partial<Filtering>, string[]]>([
    [{ words: 'web' }, ['s1', 'a']],
    [{ words: 'severn DISK' }, ['s2', 'v']],
    [{ words: 'data' }, ['s2', 'v', 'out']],
    [{ words: 'submarine' }, []],
    [{ only: 'unpriced' }, ['s1', 'b']],
    [{ only: 'guesses' }, ['s2', 'v']],
    [{ only: 'ranged' }, ['s1', 'a']],
    [{ only: 'unpriced', words: 'web' }, []],
  ])('%j leaves %j', (part, keys) => expect(shown(part)).toEqual(keys));
});

describe('books that are not pinned yet', () => {
  const bookList = ['small', 'foreign', 'third'].map((key) => ({
    key,
    title: key,
    currency: 'USD',
    monthHours: '730',
    revision: 7,
    effective: '2026-11-01',
    newest: 7,
    revisions: [],
    regions: [],
  }));

  it('are pinned once, at what the bookList holds', () => {
    const lines = ['x', 'y'].map((id) => serverOf(id, { place: { book: 'third', region: 'r' } }));
    expect(pinsFor(lines, design, bookList)).toEqual([
      { edit: 'pin-books', books: [...design.books, { book: 'third', revision: 7 }] },
    ]);
    expect(pinsFor(design.sections[0]!.components, design, bookList)).toEqual([]);
  });
});
