/**
 * Puts machines together from tables: the machines themselves, their disks added up, measurements reduced to a peak and a
 * 95th percentile, hosts that say their cluster. A row that cannot be read is left out and says why. Needs M1 to M3, M15.
 */
import type { Fact, Machine } from '@/features/fleet/calc';
import type { Field } from './columns';
import type { RowReader } from './row-reader';

export interface RejectedRow {
  /** File and sheet; empty where there is only one. */
  readonly table: string;
  /** As the file counts, the first is 1. */
  readonly row: number;
  readonly column: string;
  readonly reason: string;
}

/** - `refuse`: a machine has one row. - `reduce`: several rows are measurements of one. */
export const REPEATED = ['refuse', 'reduce'] as const;
export type Repeated = (typeof REPEATED)[number];

interface Measured {
  peakCpu: number;
  usualCpu: number;
  peakMemory: number;
  usualMemory: number;
  iops: number;
  sent: number;
  readonly useCpu: number[];
  readonly useMemory: number[];
}

const MEASURED = [
  'peakCpu',
  'usualCpu',
  'peakMemory',
  'usualMemory',
  'iops',
  'sent',
  'useCpu',
  'useMemory',
] as const;
/** As many measurements as make a 95th percentile worth its name. */
const FEW = 20;
const MOST_REJECTED = 100_000;
export const MOST_MACHINES = 250_000;

const keyOf = (text: string): string => text.trim().toLowerCase();

export class FleetBuilder {
  readonly rejected: RejectedRow[] = [];
  /** Rejected, but too many to be listed. */
  more = 0;
  private readonly machines = new Map<string, { machine: Machine; row: number; table: string }>();
  private readonly disks = new Map<
    string,
    { storage: number | null; stored: number | null; shared: boolean }
  >();
  private readonly measured = new Map<string, Measured>();
  private readonly clusters = new Map<string, string>();
  private reduced = 0;

  constructor(private readonly repeated: Repeated) {}

  get count(): number {
    return this.machines.size;
  }

  machineRow(reader: RowReader, row: readonly string[], number: number, table: string): void {
    const refuse = (field: Field, reason: string): void =>
      this.reject({ table, row: number, column: reader.headingOf(field), reason });
    const facts = new Map<Field, number | null>();
    for (const field of ['vcpu', 'memory', 'storage', 'stored', ...MEASURED] as const) {
      const read = reader.amount(row, field);
      if (!read.ok) return refuse(field, read.reason);
      facts.set(field, read.value);
    }
    const [vcpu, memory] = [facts.get('vcpu') ?? 0, facts.get('memory') ?? 0];
    for (const [field, value] of [
      ['vcpu', vcpu],
      ['memory', memory],
    ] as const)
      if (value <= 0) return refuse(field, 'is missing or nothing: without it nothing can be matched.');
    const name = reader.text(row, 'name') || reader.text(row, 'id') || `row ${number}`;
    const id = reader.text(row, 'id') || name;
    const key = keyOf(id);
    const before = this.machines.get(key);
    if (before && this.repeated === 'refuse') {
      const where = before.table === table ? `row ${before.row}` : `row ${before.row} of ${before.table}`;
      return refuse(
        reader.has('id') ? 'id' : 'name',
        `“${id}” stands in ${where} already: each machine needs a name or id of its own.`,
      );
    }
    this.measure(key, facts);
    if (before) {
      this.reduced += 1;
      return;
    }
    const text = (field: Field): string => reader.text(row, field);
    this.machines.set(key, {
      row: number,
      table,
      machine: {
        id,
        name,
        host: text('host'),
        cluster: text('cluster'),
        environment: text('environment'),
        system: text('system'),
        power: powerOf(text('power')),
        kind: kindOf(text('kind')),
        tags: text('tags')
          .split(/[;,|]/)
          .map((tag) => tag.trim())
          .filter(Boolean),
        applications: text('applications'),
        licences: text('licences'),
        sharedDisks: isYes(text('sharedDisks')),
        vcpu: typed(vcpu)!,
        memory: typed(memory)!,
        storage: typed(facts.get('storage') ?? null),
        stored: typed(facts.get('stored') ?? null),
        ...{ peakCpu: null, usualCpu: null, peakMemory: null, usualMemory: null, iops: null, sent: null },
      },
    });
  }

  diskRow(reader: RowReader, row: readonly string[], number: number, table: string): void {
    const key = this.keyIn(reader, row, number, table);
    if (key === null) return;
    const sums = this.disks.get(key) ?? { storage: null, stored: null, shared: false };
    for (const field of ['storage', 'stored'] as const) {
      const read = reader.amount(row, field);
      if (!read.ok)
        return this.reject({ table, row: number, column: reader.headingOf(field), reason: read.reason });
      if (read.value !== null) sums[field] = (sums[field] ?? 0) + read.value;
    }
    sums.shared ||= isYes(reader.text(row, 'sharedDisks'));
    this.disks.set(key, sums);
  }

  measureRow(reader: RowReader, row: readonly string[], number: number, table: string): void {
    const key = this.keyIn(reader, row, number, table);
    if (key === null) return;
    const facts = new Map<Field, number | null>();
    for (const field of MEASURED) {
      const read = reader.amount(row, field);
      if (!read.ok)
        return this.reject({ table, row: number, column: reader.headingOf(field), reason: read.reason });
      facts.set(field, read.value);
    }
    this.measure(key, facts);
  }

  hostRow(reader: RowReader, row: readonly string[]): void {
    const [host, cluster] = [reader.text(row, 'host'), reader.text(row, 'cluster')];
    if (host && cluster) this.clusters.set(keyOf(host), cluster);
  }

  /** The machines in the order of the file, and what happened in words. */
  finish(): { readonly machines: Machine[]; readonly notes: string[] } {
    const machines = [...this.machines].map(([key, { machine }]) => this.finished(key, machine));
    const strangers = (keys: Iterable<string>): number =>
      [...keys].filter((key) => !this.machines.has(key)).length;
    const [noDisk, noMeasure] = [strangers(this.disks.keys()), strangers(this.measured.keys())];
    const notes = [
      this.reduced > 0 &&
        `${this.reduced} more rows of machines that stand there already were read as measurements: the peak is the highest of them, the 95th percentile that of single measurements where there are ${FEW} or more, else the highest.`,
      this.disks.size > 0 &&
        `Disks of ${counted(this.disks.size - noDisk, 'machine', 'machines')} were added up.`,
      noDisk > 0 &&
        `Disks of ${counted(noDisk, 'name that is', 'names that are')} no machine of the list were left out.`,
      noMeasure > 0 &&
        `Measurements of ${counted(noMeasure, 'name that is', 'names that are')} no machine of the list were left out.`,
    ];
    return { machines, notes: notes.filter((note) => note !== false) };
  }

  private finished(key: string, machine: Machine): Machine {
    const disk = this.disks.get(key);
    const use = this.measured.get(key);
    return {
      ...machine,
      cluster: machine.cluster || (this.clusters.get(keyOf(machine.host)) ?? ''),
      ...(disk
        ? {
            storage:
              disk.storage === null ? machine.storage : { value: disk.storage, from: 'derived' as const },
            stored: disk.stored === null ? machine.stored : { value: disk.stored, from: 'derived' as const },
            sharedDisks: machine.sharedDisks || disk.shared,
          }
        : {}),
      ...(use ? measuredFacts(use) : {}),
    };
  }

  private measure(key: string, facts: ReadonlyMap<Field, number | null>): void {
    if (MEASURED.every((field) => (facts.get(field) ?? null) === null)) return;
    let kept = this.measured.get(key);
    if (!kept) {
      kept = {
        peakCpu: -1,
        usualCpu: -1,
        peakMemory: -1,
        usualMemory: -1,
        iops: -1,
        sent: -1,
        useCpu: [],
        useMemory: [],
      };
      this.measured.set(key, kept);
    }
    for (const field of ['peakCpu', 'usualCpu', 'peakMemory', 'usualMemory', 'iops', 'sent'] as const)
      kept[field] = Math.max(kept[field], facts.get(field) ?? -1);
    for (const field of ['useCpu', 'useMemory'] as const) {
      const value = facts.get(field) ?? null;
      if (value !== null) kept[field].push(value);
    }
  }

  /** Null: it has none, and was rejected. */
  private keyIn(reader: RowReader, row: readonly string[], number: number, table: string): string | null {
    const text = reader.text(row, 'id') || reader.text(row, 'name');
    if (text) return keyOf(text);
    const column = reader.headingOf('id') || reader.headingOf('name');
    this.reject({ table, row: number, column, reason: 'is empty: nothing says whose it is.' });
    return null;
  }

  private reject(row: RejectedRow): void {
    if (this.rejected.length < MOST_REJECTED) this.rejected.push(row);
    else this.more += 1;
  }
}

const counted = (count: number, one: string, many: string): string => `${count} ${count === 1 ? one : many}`;

const typed = (value: number | null): Fact | null => (value === null ? null : { value, from: 'typed' });

function measuredFacts(use: Measured): Partial<Machine> {
  const fact = (value: number): Fact | null => (value < 0 ? null : { value, from: 'measured' });
  const most = (values: readonly number[]): number => values.reduce((a, b) => Math.max(a, b), -1);
  const usual = (values: readonly number[]): number => {
    if (values.length < FEW) return most(values);
    const sorted = [...values].sort((a, b) => a - b);
    return sorted[Math.ceil(sorted.length * 0.95) - 1]!;
  };
  return {
    peakCpu: fact(Math.max(use.peakCpu, most(use.useCpu))),
    usualCpu: fact(use.usualCpu >= 0 ? use.usualCpu : usual(use.useCpu)),
    peakMemory: fact(Math.max(use.peakMemory, most(use.useMemory))),
    usualMemory: fact(use.usualMemory >= 0 ? use.usualMemory : usual(use.useMemory)),
    iops: fact(use.iops),
    sent: fact(use.sent),
  };
}

function powerOf(text: string): Machine['power'] {
  if (/off|stopp|aus|down|apagad|éteint|suspend/i.test(text)) return 'off';
  return /on|run|ein|up|encendid|allum/i.test(text) ? 'on' : null;
}

function kindOf(text: string): Machine['kind'] {
  if (/virt|\bvm\b|guest/i.test(text)) return 'virtual';
  return /phys|bare|metal/i.test(text) ? 'physical' : null;
}

const isYes = (text: string): boolean => /^(yes|true|1|y|x|ja|si|sí|oui|shared)$/i.test(text.trim());
