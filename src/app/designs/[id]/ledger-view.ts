/** Which rows and columns of the ledger are shown: a filter, and columns one can do without. */
'use client';
import { useState } from 'react';
import { kindOf } from '@/core/books';
import { guessesOf, placeIsTakenOver } from '@/core/design';
import type { LedgerRow } from '@/ui/ledger';
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
  const text = [component.name, kindOf(component.kind).label, line?.offer?.name, place, section.name]
    .join(' ')
    .toLowerCase();
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
