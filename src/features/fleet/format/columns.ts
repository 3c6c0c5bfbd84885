/**
 * What the columns of an inventory mean: by their headings, whatever order they stand in and whatever program wrote them.
 * Each has its guess; a person may say otherwise. Needs M1.
 */

import { WORDS } from './column-words';
import { type Field, SHARES } from './fleet-fields';

export * from './fleet-fields';

/** What numbers of a column are measured in, where its heading says it. */
export const COLUMN_UNITS = ['MB', 'MiB', 'GB', 'GiB', 'TB', 'TiB', '%', 'MHz', 'GHz'] as const;
export type ColumnUnit = (typeof COLUMN_UNITS)[number];

export interface Column {
  readonly at: number;
  readonly heading: string;
  readonly field: Field | null;
  /** Null: the heading does not say. */
  readonly unit: ColumnUnit | null;
}

const UNITS: readonly (readonly [ColumnUnit, RegExp])[] = [
  ['MiB', /\bmib\b/i],
  ['GiB', /\bgib\b/i],
  ['TiB', /\btib\b/i],
  ['MB', /\bmb\b/i],
  ['GB', /\bgb\b/i],
  ['TB', /\btb\b/i],
  ['MHz', /\bmhz\b/i],
  ['GHz', /\bghz\b/i],
  ['%', /%|\bpercent\b|\bpct\b|\bprozent\b/i],
];

const NUMBERS: ReadonlySet<Field> = new Set([
  ...SHARES,
  'vcpu',
  'memory',
  'storage',
  'stored',
  'iops',
  'sent',
]);
const AMOUNTS: ReadonlySet<Field> = new Set(['vcpu', 'memory', 'storage', 'stored']);

const MEMORY = ['memory', 'ram', 'mem'] as const;

/** `CPU peak (%)` → `cpu`, `peak`. */
function wordsOf(heading: string): Set<string> {
  const apart = heading.replace(/([a-zà-ÿ])([A-Z])/g, '$1 $2').toLowerCase();
  return new Set(apart.split(/[^a-z0-9à-ÿ]+/).filter(Boolean));
}

export function unitOf(heading: string): ColumnUnit | null {
  return UNITS.find(([, pattern]) => pattern.test(heading.replaceAll('_', ' ')))?.[0] ?? null;
}

/**
 * The columns of a header row. Each field is taken once: by the column that names it first; `chosen` goes before any
 * guess, by heading. A column of words is no quantity, whatever its heading.
 */
export function columnsOf(
  headings: readonly string[],
  chosen: ReadonlyMap<string, Field | null> = new Map(),
  units: ReadonlyMap<string, ColumnUnit> = new Map(),
  mayBeNumbers: (at: number) => boolean = () => true,
): Column[] {
  const taken = new Set<Field>([...chosen.values()].filter((field) => field !== null));
  const guessed = new Map<number, Field>();
  const worded = headings.map((heading) => ({ words: wordsOf(heading), isShare: unitOf(heading) === '%' }));
  for (const [field, lists] of WORDS) {
    if (taken.has(field)) continue;
    const at = headings.findIndex((heading, index) => {
      if (guessed.has(index) || chosen.has(heading.trim())) return false;
      const { words, isShare } = worded[index]!;
      // A share of a thing is no amount of it.
      if (AMOUNTS.has(field) && isShare) return false;
      const isMeant =
        (isShare && field === 'useCpu' && words.has('cpu')) ||
        (isShare && field === 'useMemory' && MEMORY.some((word) => words.has(word))) ||
        lists.some((list) => list.every((word) => words.has(word)));
      return isMeant && (!NUMBERS.has(field) || mayBeNumbers(index));
    });
    if (at < 0) continue;
    guessed.set(at, field);
    taken.add(field);
  }
  return headings.map((heading, at) => ({
    at,
    heading: heading.trim(),
    field: chosen.has(heading.trim()) ? (chosen.get(heading.trim()) ?? null) : (guessed.get(at) ?? null),
    unit: units.get(heading.trim()) ?? unitOf(heading),
  }));
}
