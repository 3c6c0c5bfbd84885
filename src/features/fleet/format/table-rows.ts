/** Rows of one table on their way in: the first of them tell what it is, the others are read by that. */
import type { Column } from './columns';
import { type FleetBuilder, MOST_MACHINES, type Repeated } from './fleet-builder';
import { InventoryError } from './inventory-file';
import { RowReader } from './row-reader';
import { type Choices, lookAtTable, type TableLook, type TableRole } from './table-look';

const SAMPLES = 500;
const SHOWN = 5;

export interface LookedAt extends TableLook {
  /** File and sheet. */
  readonly key: string;
  readonly file: string;
  readonly sheet: string;
  readonly hidden: boolean;
  /** Rows under the headings, a few of them. */
  readonly samples: readonly (readonly string[])[];
  /** Of its first rows, the share that names a machine again. */
  readonly again: number;
}

export interface Mapping extends Choices {
  /** By table; absent: as guessed. */
  readonly roles?: ReadonlyMap<string, TableRole>;
  /** Absent: as the tables look. */
  readonly repeated?: Repeated;
}

/** Without a builder it is only looked at. */
export class TableRows {
  private readonly head: { number: number; row: readonly string[] }[] = [];
  private look: LookedAt | null = null;
  private reader: RowReader | null = null;

  constructor(
    readonly key: string,
    private readonly file: string,
    private readonly sheet: string,
    private readonly hidden: boolean,
    private readonly mapping: Mapping,
    private readonly builder: FleetBuilder | null,
  ) {}

  push(number: number, row: readonly string[]): void {
    if (row.every((cell) => cell.trim() === '')) return;
    if (this.reader) this.take(number, row);
    else {
      this.head.push({ number, row });
      if (this.head.length > SAMPLES) this.begin();
    }
  }

  get isDone(): boolean {
    return this.builder === null && this.look !== null;
  }

  finish(): LookedAt {
    if (!this.look) this.begin();
    return this.look!;
  }

  notes(): readonly string[] {
    return this.reader?.notes.map((note) => (this.sheet ? `Sheet “${this.sheet}”: ${note}` : note)) ?? [];
  }

  private begin(): void {
    const found = lookAtTable(
      this.head.map(({ row }) => row),
      this.mapping,
    );
    const at = found.headerRow - 1;
    const below = this.head.slice(at + 1).map(({ row }) => row);
    const guess = this.hidden ? 'ignored' : found.role;
    this.look = {
      ...found,
      headerRow: this.head[at]?.number ?? 0,
      role: this.mapping.roles?.get(this.key) ?? guess,
      key: this.key,
      file: this.file,
      sheet: this.sheet,
      hidden: this.hidden,
      samples: below.slice(0, SHOWN),
      again: againIn(found.columns, below),
    };
    this.reader = new RowReader(found.columns, below);
    if (found.headerRow > 0) for (const { number, row } of this.head.slice(at + 1)) this.take(number, row);
  }

  private take(number: number, row: readonly string[]): void {
    const { builder, reader, look } = this;
    if (!builder || !reader || !look) return;
    const table = this.key;
    if (look.role === 'machines') builder.machineRow(reader, row, number, table);
    else if (look.role === 'disks') builder.diskRow(reader, row, number, table);
    else if (look.role === 'measurements') builder.measureRow(reader, row, number, table);
    else if (look.role === 'hosts') builder.hostRow(reader, row);
    if (builder.count > MOST_MACHINES)
      throw new InventoryError(`There are more than ${MOST_MACHINES} machines. Take the inventory apart.`);
  }
}

function againIn(columns: readonly Column[], rows: readonly (readonly string[])[]): number {
  const at = (columns.find(({ field }) => field === 'id') ?? columns.find(({ field }) => field === 'name'))
    ?.at;
  if (at === undefined || rows.length === 0) return 0;
  const names = rows.map((row) => (row[at] ?? '').trim().toLowerCase());
  return 1 - new Set(names).size / names.length;
}
