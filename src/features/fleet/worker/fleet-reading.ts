/** Inventories on their way in: looked at, read, compared with what is there, sent to be kept. */
import { isSame } from '@/engine/design';
import type { Machine } from '@/features/fleet/calc';
import type { RejectedRow } from '@/features/fleet/format/fleet-builder';
import { readableFile } from '@/platform/workers/readable-file';
import { machineLines, tidyMachine } from '@/features/fleet/format/machine-schema';
import {
  lookAtInventory,
  type Mapping,
  type LookedAt,
  readInventory,
} from '@/features/fleet/format/read-inventory';
import type { FleetAnswers, PlainMapping, ReadSummary } from './fleet-protocol';
import { type LongWork, pause } from '@/platform/workers/long-work';

const SHOWN = 200;
const ROWS_AT_ONCE = 2000;

export type FetchFleet = (path: string, init?: RequestInit) => Promise<unknown>;

/** What is read and not yet sent. */
interface Pending {
  readonly machines: readonly Machine[];
  readonly rejected: readonly RejectedRow[];
}

export class FleetReading {
  private pending: Pending | null = null;

  constructor(private readonly fetchJson: FetchFleet) {}

  look(files: readonly File[], mapping: PlainMapping): Promise<LookedAt[]> {
    return lookAtInventory(files.map(readableFile), mappingOf(mapping));
  }

  async read(
    title: string,
    files: readonly File[],
    mapping: PlainMapping,
    there: readonly Machine[] | null,
    work: LongWork,
  ): Promise<ReadSummary> {
    const all = files.reduce((sum, { size }) => sum + size, 0);
    const read = await readInventory(title, files.map(readableFile), mappingOf(mapping), async (told) => {
      const rejected = told.rejected > 0 ? `, ${told.rejected} rows left out` : '';
      work.told(Math.min(told.bytes, all), all, `${told.machines} machines${rejected}`);
      await pause(work);
    });
    const machines = read.fleet.machines.map(tidyMachine);
    this.pending = { machines, rejected: read.rejected };
    return {
      machines: machines.length,
      rejected: read.rejected.slice(0, SHOWN),
      rejectedCount: read.rejected.length + read.more,
      notes: read.notes,
      tables: read.tables,
      against: there && differences(there, machines),
    };
  }

  typed(machines: readonly Machine[], there: readonly Machine[] | null): ReadSummary {
    this.pending = { machines: machines.map(tidyMachine), rejected: [] };
    const against = there && differences(there, machines);
    return { machines: machines.length, rejected: [], rejectedCount: 0, notes: [], tables: [], against };
  }

  async send(id: string, title: string, origin: string, work: LongWork): Promise<FleetAnswers['send']> {
    const { pending } = this;
    if (!pending || pending.machines.length === 0)
      throw new Error('There is no machine to keep. Look at the rows that were left out.');
    const parts: string[] = [];
    let [text, rows] = ['', 0];
    for (const line of machineLines(pending.machines)) {
      text += line;
      rows += 1;
      if (rows % ROWS_AT_ONCE > 0) continue;
      parts.push(text);
      text = '';
      work.told(rows, pending.machines.length, 'Sending the machines');
      await pause(work);
    }
    parts.push(text);
    work.told(pending.machines.length, pending.machines.length, 'Keeping the machines');
    const query = new URLSearchParams({ title, origin });
    const brought = await this.fetchJson(`/api/fleets/${id}/machines?${query}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/x-ndjson' },
      body: new Blob(parts),
    });
    this.pending = null;
    return brought as FleetAnswers['send'];
  }

  /** Rows that were left out, as a file. */
  rejectedCsv(): string {
    const cell = (text: string): string =>
      `"${(/^[=+\-@]/.test(text) ? `'${text}` : text).replaceAll('"', '""')}"`;
    const rows = (this.pending?.rejected ?? []).map(({ table, row, column, reason }) =>
      [cell(table), String(row), cell(column), cell(reason)].join(','),
    );
    return `\ufeff${['Table,Row,Column,Reason', ...rows].join('\r\n')}\r\n`;
  }
}

function mappingOf({ chosen, units, roles, repeated }: PlainMapping): Mapping {
  return {
    chosen: new Map(Object.entries(chosen)),
    units: new Map(Object.entries(units)),
    roles: new Map(Object.entries(roles)),
    ...(repeated ? { repeated } : {}),
  };
}

export function differences(
  before: readonly Machine[],
  after: readonly Machine[],
): { readonly added: number; readonly gone: number; readonly changed: number } {
  const keyed = (machines: readonly Machine[]): Map<string, Machine> =>
    new Map(machines.map((machine) => [machine.id.toLowerCase(), machine]));
  const [old, now] = [keyed(before), keyed(after)];
  let [added, changed] = [0, 0];
  for (const [key, machine] of now) {
    const known = old.get(key);
    if (!known) added += 1;
    else if (!isSame(known, machine)) changed += 1;
  }
  return { added, changed, gone: [...old.keys()].filter((key) => !now.has(key)).length };
}
