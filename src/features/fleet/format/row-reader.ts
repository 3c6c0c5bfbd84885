/**
 * Rows of one table as texts and numbers: numbers of any language, shares that are 0 to 1 or 0 to 100, sizes in the unit
 * that the heading says. What was taken for granted is noted. Needs M1, M2, M15.
 */
import { cut } from '@/engine/base';
import { type Column, type Field, SHARES } from './columns';
import { isMissing, type Marks, marksOf, readNumber } from './numbers';

/** Memory of a machine in GiB is rarely more than this; a number above it without a unit is megabytes. */
const LARGEST_GIB = 2048;
/** By field: more than any machine has. */
const MOST: Readonly<Partial<Record<Field, number>>> = {
  vcpu: 1e5,
  memory: 1e6,
  storage: 1e9,
  stored: 1e9,
  iops: 1e9,
  sent: 1e9,
};
const MOST_SHARE = 1.5;

/** In GiB, by unit. Memory is always counted in powers of two, whatever its sign says. */
const MEMORY: Readonly<Record<string, number>> = {
  MB: 1 / 1024,
  MiB: 1 / 1024,
  GB: 1,
  GiB: 1,
  TB: 1024,
  TiB: 1024,
};
const STORAGE: Readonly<Record<string, number>> = {
  MB: 1e6 / 2 ** 30,
  MiB: 1 / 1024,
  GB: 1e9 / 2 ** 30,
  GiB: 1,
  TB: 1e12 / 2 ** 30,
  TiB: 1024,
};
const SENT: Readonly<Record<string, number>> = {
  MB: 1e-3,
  MiB: 2 ** 20 / 1e9,
  GB: 1,
  GiB: 2 ** 30 / 1e9,
  TB: 1e3,
  TiB: 2 ** 40 / 1e9,
};
/** What a core of a list that counts in cycles is taken for. */
const MHZ_OF_A_CORE = 2400;

export type Amount =
  { readonly ok: true; readonly value: number | null } | { readonly ok: false; readonly reason: string };

export class RowReader {
  readonly notes: string[] = [];
  private readonly by = new Map<Field, Column>();
  private readonly marks = new Map<Field, Marks>();
  private readonly factors = new Map<Field, number>();

  constructor(columns: readonly Column[], samples: readonly (readonly string[])[]) {
    for (const column of columns) if (column.field) this.by.set(column.field, column);
    for (const [field, column] of this.by) {
      const texts = samples.map((row) => row[column.at] ?? '').filter((text) => !isMissing(text));
      const marks = marksOf(texts) ?? 'point';
      this.marks.set(field, marks);
      const numbers = texts.flatMap((text) => readNumber(text, marks) ?? []);
      this.factors.set(field, this.factor(field, column, numbers));
    }
  }

  has(field: Field): boolean {
    return this.by.has(field);
  }

  headingOf(field: Field): string {
    return this.by.get(field)?.heading ?? '';
  }

  text(row: readonly string[], field: Field): string {
    const text = (row[this.by.get(field)?.at ?? -1] ?? '').trim();
    // Our own files keep spreadsheets from taking a text for a formula so.
    return /^'['=+\-@]/.test(text) ? text.slice(1) : text;
  }

  amount(row: readonly string[], field: Field): Amount {
    const column = this.by.get(field);
    const text = column ? (row[column.at] ?? '') : '';
    if (isMissing(text)) return { ok: true, value: null };
    const number = readNumber(text, this.marks.get(field) ?? 'point');
    const said = (): string => `“${cut(text.trim(), 40)}”`;
    if (number === null) return { ok: false, reason: `${said()} is no number of nothing or more.` };
    const value = number * (this.factors.get(field) ?? 1);
    const isShare = SHARES.includes(field);
    if (value > (isShare ? MOST_SHARE : (MOST[field] ?? Infinity)))
      return { ok: false, reason: `${said()} is more than any machine has.` };
    return { ok: true, value: isShare ? Math.min(1, value) : value };
  }

  /** What a number of the column is multiplied with; what is taken for granted is noted. */
  private factor(field: Field, { heading, unit }: Column, numbers: readonly number[]): number {
    const most = Math.max(0, ...numbers);
    switch (field) {
      case 'vcpu':
        return this.cores(heading, unit);
      case 'memory':
        if (unit && MEMORY[unit] !== undefined) return MEMORY[unit];
        return this.memoryUnit(heading, numbers, most);
      case 'storage':
      case 'stored':
        if (unit && STORAGE[unit] !== undefined) return STORAGE[unit];
        if (numbers.length > 0) this.notes.push(`“${heading}” does not say its unit: read as GiB.`);
        return 1;
      case 'sent':
        if (unit && SENT[unit] !== undefined) return SENT[unit];
        if (numbers.length > 0) this.notes.push(`“${heading}” does not say its unit: read as GB a month.`);
        return 1;
      default:
        return SHARES.includes(field) ? this.share(heading, unit, most) : 1;
    }
  }

  private cores(heading: string, unit: Column['unit']): number {
    if (unit !== 'MHz' && unit !== 'GHz') return 1;
    this.notes.push(`“${heading}” counts in ${unit}: ${MHZ_OF_A_CORE} MHz are taken for one vCPU.`);
    return (unit === 'GHz' ? 1000 : 1) / MHZ_OF_A_CORE;
  }

  private memoryUnit(heading: string, numbers: readonly number[], most: number): number {
    const isMega = median(numbers) > LARGEST_GIB / 2 || most > LARGEST_GIB * 8;
    this.notes.push(
      `“${heading}” does not say its unit: read as ${isMega ? 'MiB' : 'GiB'}, because the middle of it is ${median(numbers)}.`,
    );
    return isMega ? 1 / 1024 : 1;
  }

  private share(heading: string, unit: Column['unit'], most: number): number {
    if (unit === '%' || most > MOST_SHARE) {
      // A sheet shows 35 % and holds 0.35.
      if (unit === '%' && most > 0 && most <= 1) {
        this.notes.push(
          `“${heading}” is said to be per cent and has no number above ${most}: read as shares of one.`,
        );
        return 1;
      }
      return 0.01;
    }
    if (most > 0)
      this.notes.push(`“${heading}” has no number above ${most}: read as shares of one, not as per cent.`);
    return 1;
  }
}

function median(numbers: readonly number[]): number {
  const sorted = [...numbers].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)] ?? 0;
}
