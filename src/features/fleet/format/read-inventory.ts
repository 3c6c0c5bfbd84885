/**
 * Inventories of any number of files and sheets: looked at first, so that a person sees what each column is taken for; then
 * read as one estate, row by row, with progress. Needs M1 to M3.
 */
import type { Fleet } from '@/features/fleet/calc';
import { csvRows } from './csv-rows';
import { FleetBuilder, type RejectedRow, type Repeated } from './fleet-builder';
import { InventoryError, type InventoryFile, type RowBatch, wholeFile } from './inventory-file';
import { isCompound, isZip, refuseCompound } from './sheet-container';
import { sheetRows } from './sheet-rows';
import { type LookedAt, type Mapping, TableRows } from './table-rows';

export type { LookedAt, Mapping } from './table-rows';

const MANY_AGAIN = 0.2;
/** Rows of a sheet from which it is known what it is. */
const LOOKED_AT = 600;
const MOST_COMPOUND = 200_000_000;

export interface ReadInventory {
  readonly fleet: Fleet;
  readonly tables: readonly LookedAt[];
  readonly rejected: readonly RejectedRow[];
  /** Rejected, beyond those that are listed. */
  readonly more: number;
  /** What was taken for granted, in words. */
  readonly notes: readonly string[];
}

export interface Told {
  readonly bytes: number;
  readonly machines: number;
  readonly rejected: number;
}

/** `most`: the beginning of each table is enough. */
export async function* inventoryRows(file: InventoryFile, most?: number): AsyncGenerator<RowBatch> {
  let head: Uint8Array = new Uint8Array();
  for await (const piece of file.bytes()) {
    head = piece;
    if (piece.length > 0) break;
  }
  if (head.length === 0) throw new InventoryError('The file is empty.');
  if (isCompound(head))
    refuseCompound(
      await wholeFile(file, MOST_COMPOUND, 'The workbook is of an old binary form, and too large.'),
    );
  yield* isZip(head) ? sheetRows(file, most) : csvRows(file);
}

const keyFor = (file: string, sheet: string, files: number): string =>
  [files > 1 || !sheet ? file : '', sheet].filter(Boolean).join(' › ');

/** What each table of the files is taken for, from its first rows. Throws `InventoryError`. */
export async function lookAtInventory(
  files: readonly InventoryFile[],
  mapping: Mapping = {},
): Promise<LookedAt[]> {
  const looks: LookedAt[] = [];
  for (const file of files) {
    let table = null as TableRows | null;
    for await (const batch of named(file, LOOKED_AT)) {
      const key = keyFor(file.name, batch.sheet, files.length);
      if (table?.key !== key) {
        if (table) looks.push(table.finish());
        table = new TableRows(key, file.name, batch.sheet, batch.hidden, mapping, null);
      }
      batch.rows.forEach((row, at) => table!.push(batch.first + at, row));
      // A text file has one table only: its beginning is enough.
      if (table.isDone && batch.sheet === '') break;
    }
    if (table) looks.push(table.finish());
  }
  return looks;
}

/** All machines of the files. `told` is called after every piece; throwing in it ends the reading. */
export async function readInventory(
  title: string,
  files: readonly InventoryFile[],
  mapping: Mapping = {},
  told: (progress: Told) => void | Promise<void> = () => undefined,
): Promise<ReadInventory> {
  const looks = await lookAtInventory(files, mapping);
  refuseWithoutMachines(looks);
  const repeated = mapping.repeated ?? repeatedOf(looks);
  const builder = new FleetBuilder(repeated);
  const notes: string[] = looks.flatMap(({ hidden, role, sheet }) =>
    hidden && role === 'ignored' ? [`Sheet “${sheet}” is hidden and was left out.`] : [],
  );
  let before = 0;
  for (const file of files) {
    let table = null as TableRows | null;
    const end = (): void => {
      if (!table) return;
      table.finish();
      notes.push(...table.notes());
    };
    let read = 0;
    for await (const batch of named(file)) {
      const key = keyFor(file.name, batch.sheet, files.length);
      if (table?.key !== key) {
        end();
        table = new TableRows(key, file.name, batch.sheet, batch.hidden, mapping, builder);
      }
      batch.rows.forEach((row, at) => table!.push(batch.first + at, row));
      notes.push(...(batch.notes ?? []).filter((note) => !notes.includes(note)));
      read = batch.bytes;
      await told({ bytes: before + read, machines: builder.count, rejected: builder.rejected.length });
    }
    end();
    before += read;
  }
  const { machines, notes: built } = builder.finish();
  return {
    fleet: { title, machines },
    tables: looks,
    rejected: builder.rejected,
    more: builder.more,
    notes: [...notes, ...built],
  };
}

async function* named(file: InventoryFile, most?: number): AsyncGenerator<RowBatch> {
  try {
    yield* inventoryRows(file, most);
  } catch (error) {
    if (error instanceof InventoryError) throw new InventoryError(`“${file.name}”: ${error.message}`);
    throw error;
  }
}

function refuseWithoutMachines(looks: readonly LookedAt[]): void {
  const machines = looks.find(({ role }) => role === 'machines');
  if (!machines) {
    const there = looks
      .flatMap(({ columns }) => columns)
      .slice(0, 12)
      .map(({ heading }) => `“${heading}”`)
      .join(', ');
    throw new InventoryError(
      `No table has the machines: among the first 20 rows none has headings for vCPU and memory${there ? `; found were ${there}` : ''}. Give the columns headings, or say which column is which.`,
    );
  }
  for (const field of ['vcpu', 'memory'] as const)
    if (!machines.columns.some((column) => column.field === field)) {
      const there = machines.columns.map(({ heading }) => `“${heading}”`).join(', ');
      throw new InventoryError(
        `No column is ${field === 'vcpu' ? 'the number of vCPU' : 'the memory'}; there are: ${there}.`,
      );
    }
}

/** Where more than a fifth of the first machines stand there more than once, the rows are measurements. */
function repeatedOf(looks: readonly LookedAt[]): Repeated {
  const machines = looks.find(({ role }) => role === 'machines');
  const isMeasured =
    machines?.columns.some(({ field }) => field === 'useCpu' || field === 'peakCpu') ?? false;
  return isMeasured && machines!.again > MANY_AGAIN ? 'reduce' : 'refuse';
}
