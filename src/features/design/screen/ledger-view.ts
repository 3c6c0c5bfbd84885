/** Which rows and columns of the ledger are shown: a filter, and columns one can do without. */
'use client';
import { useCallback, useState } from 'react';
import { kindOf } from '@/engine/books';
import { type Component, guessesOf, placeIsTakenOver } from '@/engine/design';
import type { LedgerRow } from '@/platform/ui/ledger';
import { inBounds, type Widths } from '@/platform/ui/ledger-fit';
import type { Row } from './rows';

export const FILTERS = [
  ['all', 'all lines'],
  ['unpriced', 'not priced'],
  ['notices', 'with notices'],
  ['guesses', 'with guesses'],
  ['taken-over', 'region taken over'],
  ['ranged', 'with a range'],
] as const;
export type Filter = (typeof FILTERS)[number][0];

export interface Filtering {
  readonly words: string;
  readonly only: Filter;
}

export const NO_FILTER: Filtering = { words: '', only: 'all' };

export function isFiltering({ words, only }: Filtering): boolean {
  return words.trim() !== '' || only !== 'all';
}

/** Lines that fit, under their sections; without blank lines. Subtotals stay those of all lines. */
export function filteredRows(
  rows: readonly LedgerRow<Row>[],
  filtering: Filtering,
  place: (row: Extract<Row, { kind: 'component' }>) => string,
): LedgerRow<Row>[] {
  if (!isFiltering(filtering)) return [...rows];
  const fitting = rows.filter(({ data }) => data.kind === 'component' && fits(data, filtering, place(data)));
  const sections = new Set(fitting.map(({ data }) => data.kind === 'component' && data.section.id));
  const kept = new Set(fitting);
  return rows.filter(
    (row) => kept.has(row) || (row.data.kind === 'section' && sections.has(row.data.section.id)),
  );
}

function fits(
  { component, line, section }: Extract<Row, { kind: 'component' }>,
  { words, only }: Filtering,
  place: string,
): boolean {
  const tags = Object.entries(component.tags ?? {}).flat();
  const named = [component.name, kindOf(component.kind).label, line?.offer?.name, place, section.name];
  const text = [...named, ...tags].join(' ').toLowerCase();
  if (
    !words
      .toLowerCase()
      .split(/\s+/)
      .every((word) => text.includes(word))
  )
    return false;
  switch (only) {
    case 'all':
      return true;
    case 'unpriced':
      return line !== null && !line.priced;
    case 'notices':
      return (line?.notices.length ?? 0) > 0;
    case 'guesses':
      return guessesOf(component).length > 0;
    case 'taken-over':
      return placeIsTakenOver(component);
    case 'ranged':
      return line?.wick != null && line.wick.low !== line.wick.high;
  }
}

export const HIDEABLE = [
  ['what', 'What'],
  ['where', 'Where'],
  ['use', 'Use of each'],
  ['paid', 'Paid'],
  ['wick', 'Lean · likely · heavy'],
] as const;

const KEPT_AS = 'ledger-columns-hidden';

/** Kept in the browser, for every design. */
export function useHiddenColumns(): readonly [ReadonlySet<string>, (key: string) => void] {
  const [hidden, setHidden] = useState<ReadonlySet<string>>(() => {
    if (typeof localStorage === 'undefined') return new Set();
    const known = HIDEABLE.map(([key]) => key as string);
    const kept = (localStorage.getItem(KEPT_AS) ?? '').split(',');
    return new Set(kept.filter((key) => known.includes(key)));
  });
  const toggle = (key: string): void => {
    const next = new Set(hidden);
    if (!next.delete(key)) next.add(key);
    localStorage.setItem(KEPT_AS, [...next].join(','));
    setHidden(next);
  };
  return [hidden, toggle];
}

const WIDTHS_KEPT_AS = 'ledger-column-widths';

/** Kept in the browser, for every design; null: its own width. */
export function useColumnWidths(): readonly [Widths, (key: string, width: number | null) => void] {
  const [widths, setWidths] = useState<Widths>(() => {
    if (typeof localStorage === 'undefined') return {};
    return readWidths(localStorage.getItem(WIDTHS_KEPT_AS) ?? '');
  });
  const setWidth = useCallback((key: string, width: number | null): void => {
    setWidths((before) => {
      const { [key]: _, ...others } = before;
      const next = width === null ? others : { ...others, [key]: width };
      const rows = Object.entries(next).map(([column, pixels]) => `${column}:${pixels}`);
      localStorage.setItem(WIDTHS_KEPT_AS, rows.join(','));
      return next;
    });
  }, []);
  return [widths, setWidth];
}

/** Reads "what:140,where:96"; whatever is no width is left out. */
export function readWidths(text: string): Widths {
  const rows = [...text.matchAll(/(?:^|,)([a-z]+):(\d{1,4})(?=,|$)/g)];
  return Object.fromEntries(rows.map(([, key = '', pixels]) => [key, inBounds(Number(pixels))]));
}

/** Columns that say the same in every line, and what; with one line nothing is repeated. */
export function repeatedIn(
  components: readonly Component[],
  texts: Readonly<Record<string, (component: Component) => string>>,
): ReadonlyMap<string, string> {
  const found = new Map<string, string>();
  if (components.length < 2) return found;
  for (const [key, textOf] of Object.entries(texts)) {
    const first = textOf(components[0]!);
    if (components.every((each) => textOf(each) === first)) found.set(key, first);
  }
  return found;
}
