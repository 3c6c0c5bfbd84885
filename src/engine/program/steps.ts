/**
 * The calculation of a whole design as numbered rows that refer to each other: what a sheet writes as formulas. A step
 * that several lines share (a pool, a count) is one row, so that a changed entry reaches everything that hangs on it.
 */
import type { Decimal } from '../base';
import type { PricedDesign } from '../pricing';
import type { EntryOf, Figure, Operation } from '../trace';

export interface WorkingRow {
  /** The line that first needed it. */
  readonly line: string;
  readonly label: string;
  readonly depth: number;
  readonly operation: Operation | 'same';
  /** Rows it is worked out from, by their index. */
  readonly parts: readonly number[];
  readonly value: Decimal;
  readonly unit: string;
  readonly note: string;
  readonly from: string;
  /** Of an entry: which one. */
  readonly input: EntryOf | null;
}

export interface Workings {
  readonly rows: readonly WorkingRow[];
  /** The row of each line's month, by the component's id. */
  readonly roots: ReadonlyMap<string, number>;
}

/**
 * @example
 * stepsOf(priceDesign(design, books, 'likely'), new Map([['a', 'Web']])).roots.has('a'); // => true
 */
export function stepsOf({ sections }: PricedDesign, names: ReadonlyMap<string, string>): Workings {
  const rows: WorkingRow[] = [];
  const known = new Map<unknown, number>();
  const roots = new Map<string, number>();
  const visit = (figure: Figure, line: string, depth: number): number => {
    if (figure.restates) {
      const part = visit(figure.restates, line, depth + 1);
      return push({ ...plain(figure, line, depth), operation: 'same', parts: [part] });
    }
    if (figure.live) {
      const before = known.get(figure.live);
      if (before !== undefined) return before;
      const row = visit(figure.live(), line, depth);
      known.set(figure.live, row);
      return row;
    }
    const key = figure.parts.length > 0 ? figure.parts : figure;
    const before = known.get(key);
    if (before !== undefined) return before;
    const parts = figure.parts.map((part) => visit(part, line, depth + 1));
    const row = push({ ...plain(figure, line, depth), operation: figure.operation, parts });
    known.set(key, row);
    return row;
  };
  const push = (row: WorkingRow): number => rows.push(row) - 1;
  for (const section of sections) {
    for (const line of section.lines) {
      if (line.status === 'priced') roots.set(line.id, visit(line.monthly, names.get(line.id) ?? '', 0));
    }
  }
  return { rows, roots };
}

function plain(figure: Figure, line: string, depth: number): Omit<WorkingRow, 'operation' | 'parts'> {
  const { label, value, unit, note, source, input } = figure;
  const from = source
    ? `${source.book} r${source.revision}, ${source.effective}, ${source.sku}, ${source.region}`
    : '';
  return { line, label, depth, value, unit, note: note ?? '', from, input: input ?? null };
}
