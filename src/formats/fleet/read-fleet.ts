/**
 * Machines out of a table of texts: columns by their headings, numbers of any language, shares that are 0 to 1 or 0 to 100,
 * sizes in the unit that the heading says. A row that cannot be read is left out and says why; what was taken for granted is
 * said, too. Needs M1, M2, M15.
 */
import type { Fact, Fleet, Machine } from '@/core/fleet';
import { type Column, columnsOf, type Field } from './columns';
import { isMissing, type Marks, marksOf, readNumber } from './numbers';

export interface RejectedRow {
  /** As the file counts, the first is 1. */
  readonly row: number;
  readonly column: string;
  readonly reason: string;
}

export interface ReadFleet {
  readonly fleet: Fleet;
  readonly columns: readonly Column[];
  /** Of the header, the first is 1. */
  readonly headerRow: number;
  readonly rejected: readonly RejectedRow[];
  /** What was taken for granted, in words. */
  readonly notes: readonly string[];
}

export interface FleetOptions {
  readonly title: string;
  /** By heading: what a person said that it means; null: nothing. */
  readonly chosen?: ReadonlyMap<string, Field | null>;
}

const HEADER_WITHIN = 20;
const SAMPLES = 500;
/** Memory of a machine in GiB is rarely more than this; a number above it without a unit is megabytes. */
const LARGEST_GIB = 2048;
const MOST_MEMORY = 1e6;
const MOST_VCPU = 1e5;
const MOST_STORAGE = 1e9;

export type NotAFleet = { readonly ok: false; readonly message: string };

/** Refused where no header is found, or what a machine cannot be without has no column. */
export function readFleet(
  rows: readonly (readonly string[])[],
  { title, chosen = new Map() }: FleetOptions,
): { readonly ok: true; readonly value: ReadFleet } | NotAFleet {
  const header = headerAt(rows, chosen);
  if (header < 0) {
    return refusal(
      `No row among the first ${HEADER_WITHIN} has headings for vCPU and memory. Give the columns headings, or say which column is which.`,
    );
  }
  const columns = columnsOf(rows[header]!, chosen);
  for (const field of ['vcpu', 'memory'] as const) {
    if (!columns.some((column) => column.field === field)) {
      const there = columns.map(({ heading }) => `“${heading}”`).join(', ');
      return refusal(
        `No column is ${field === 'vcpu' ? 'the number of vCPU' : 'the memory'}; there are: ${there}.`,
      );
    }
  }
  const reader = new RowReader(columns, rows.slice(header + 1, header + 1 + SAMPLES));
  const machines: Machine[] = [];
  const rejected: RejectedRow[] = [];
  const seen = new Map<string, number>();
  rows.slice(header + 1).forEach((row, index) => {
    const number = header + 2 + index;
    if (row.every((cell) => cell.trim() === '')) return;
    const read = reader.read(row, number);
    if (!read.ok) {
      rejected.push({ row: number, column: read.column, reason: read.reason });
      return;
    }
    const before = seen.get(read.value.id);
    if (before !== undefined) {
      const reason = `“${read.value.id}” stands in row ${before} already: each machine needs a name or id of its own.`;
      rejected.push({ row: number, column: reader.headingOf('id') || reader.headingOf('name'), reason });
      return;
    }
    seen.set(read.value.id, number);
    machines.push(read.value);
  });
  return {
    ok: true,
    value: { fleet: { title, machines }, columns, headerRow: header + 1, rejected, notes: reader.notes },
  };
}

function refusal(message: string): NotAFleet {
  return { ok: false, message };
}

/** The first row that names both sizes of a machine; a title above it is none. */
function headerAt(rows: readonly (readonly string[])[], chosen: ReadonlyMap<string, Field | null>): number {
  return rows.slice(0, HEADER_WITHIN).findIndex((row) => {
    const fields = columnsOf(row, chosen).map(({ field }) => field);
    return fields.includes('vcpu') && fields.includes('memory');
  });
}

type Row =
  | { readonly ok: true; readonly value: Machine }
  | { readonly ok: false; readonly column: string; readonly reason: string };

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

class RowReader {
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

  headingOf(field: Field): string {
    return this.by.get(field)?.heading ?? '';
  }

  read(row: readonly string[], number: number): Row {
    const text = (field: Field): string => (row[this.by.get(field)?.at ?? -1] ?? '').trim();
    const vcpu = this.amount(row, 'vcpu', MOST_VCPU);
    const memory = this.amount(row, 'memory', MOST_MEMORY);
    for (const [field, read] of [
      ['vcpu', vcpu],
      ['memory', memory],
    ] as const) {
      if (!read.ok) return { ok: false, column: this.headingOf(field), reason: read.reason };
      if (read.value === null || read.value <= 0)
        return {
          ok: false,
          column: this.headingOf(field),
          reason: 'is missing or nothing: without it nothing can be matched.',
        };
    }
    const facts = new Map<Field, Fact | null>();
    for (const field of ['storage', 'stored', 'peakCpu', 'usualCpu', 'peakMemory', 'usualMemory'] as const) {
      const isShare = field.startsWith('peak') || field.startsWith('usual');
      const read = this.amount(row, field, isShare ? 1.5 : MOST_STORAGE);
      if (!read.ok) return { ok: false, column: this.headingOf(field), reason: read.reason };
      const from = isShare ? 'measured' : 'typed';
      facts.set(
        field,
        read.value === null ? null : { value: isShare ? Math.min(1, read.value) : read.value, from },
      );
    }
    const name = text('name') || text('id') || `row ${number}`;
    const fact = (field: Field): Fact | null => facts.get(field) ?? null;
    return {
      ok: true,
      value: {
        id: text('id') || name,
        name,
        host: text('host'),
        cluster: text('cluster'),
        environment: text('environment'),
        system: text('system'),
        power: powerOf(text('power')),
        vcpu: { value: (vcpu as { value: number }).value, from: 'typed' },
        memory: { value: (memory as { value: number }).value, from: 'typed' },
        storage: fact('storage'),
        stored: fact('stored'),
        peakCpu: fact('peakCpu'),
        usualCpu: fact('usualCpu'),
        peakMemory: fact('peakMemory'),
        usualMemory: fact('usualMemory'),
      },
    };
  }

  private amount(
    row: readonly string[],
    field: Field,
    most: number,
  ): { ok: true; value: number | null } | { ok: false; reason: string } {
    const column = this.by.get(field);
    const text = column ? (row[column.at] ?? '') : '';
    if (isMissing(text)) return { ok: true, value: null };
    const number = readNumber(text, this.marks.get(field) ?? 'point');
    if (number === null)
      return { ok: false, reason: `“${text.trim().slice(0, 40)}” is no number of nothing or more.` };
    const value = number * (this.factors.get(field) ?? 1);
    if (value > most)
      return { ok: false, reason: `“${text.trim().slice(0, 40)}” is more than any machine has.` };
    return { ok: true, value };
  }

  /** What a number of the column is multiplied with; what is taken for granted is noted. */
  private factor(field: Field, { heading, unit }: Column, numbers: readonly number[]): number {
    const most = Math.max(0, ...numbers);
    if (field === 'memory') {
      if (unit && unit !== '%') return MEMORY[unit]!;
      const isMega = median(numbers) > LARGEST_GIB / 2 || most > LARGEST_GIB * 8;
      this.notes.push(
        `“${heading}” does not say its unit: read as ${isMega ? 'MiB' : 'GiB'}, because the middle of it is ${median(numbers)}.`,
      );
      return isMega ? 1 / 1024 : 1;
    }
    if (field === 'storage' || field === 'stored') {
      if (unit && unit !== '%') return STORAGE[unit]!;
      if (numbers.length > 0) this.notes.push(`“${heading}” does not say its unit: read as GiB.`);
      return 1;
    }
    if (field.startsWith('peak') || field.startsWith('usual')) {
      if (unit === '%' || most > 1.5) return 0.01;
      if (most > 0)
        this.notes.push(`“${heading}” has no number above ${most}: read as shares of one, not as per cent.`);
      return 1;
    }
    return 1;
  }
}

function median(numbers: readonly number[]): number {
  const sorted = [...numbers].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)] ?? 0;
}

function powerOf(text: string): Machine['power'] {
  if (/off|stopp|aus|down|apagad|éteint|suspend/i.test(text)) return 'off';
  return /on|run|ein|up|encendid|allum/i.test(text) ? 'on' : null;
}
