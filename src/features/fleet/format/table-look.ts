/**
 * What a table of an inventory is: where its headings are, what each column means, and which part of an estate it tells.
 * A guess, shown to whoever brings it in. Needs M1, M3.
 */
import { type Column, columnsOf, type ColumnUnit, type Field } from './columns';
import { isMissing, marksOf, readNumber } from './numbers';

/** - `disks`: one row a disk. - `measurements`: one row each time. - `hosts`: which host is in which cluster. */
export const TABLE_ROLES = ['machines', 'disks', 'measurements', 'hosts', 'ignored'] as const;
export type TableRole = (typeof TABLE_ROLES)[number];

export interface Choices {
  /** By heading: what a person said that it means; null: nothing. */
  readonly chosen?: ReadonlyMap<string, Field | null>;
  readonly units?: ReadonlyMap<string, ColumnUnit>;
}

export interface TableLook {
  /** Of the header in the file, the first is 1; 0: none was found. */
  readonly headerRow: number;
  readonly columns: readonly Column[];
  readonly role: TableRole;
}

const HEADER_WITHIN = 20;
const SAMPLES = 100;

/** The first row that names a key and something of it; a title above it is none. Headings in two rows are put together. */
export function lookAtTable(
  rows: readonly (readonly string[])[],
  { chosen, units }: Choices = {},
): TableLook {
  const head = rows.slice(0, HEADER_WITHIN);
  let best: TableLook = { headerRow: 0, columns: [], role: 'ignored' };
  const rank = (role: TableRole): number => TABLE_ROLES.length - TABLE_ROLES.indexOf(role);
  const take = (headings: readonly string[], headerRow: number): void => {
    const below = rows.slice(headerRow, headerRow + SAMPLES);
    const known = new Map<number, boolean>();
    const mayBeNumbers = (at: number): boolean => {
      const found = known.get(at) ?? areNumbers(below.map((row) => row[at] ?? ''));
      known.set(at, found);
      return found;
    };
    const columns = columnsOf(headings, chosen, units, mayBeNumbers);
    const role = roleOf(columns);
    if (role !== 'ignored' && rank(role) > rank(best.role)) best = { headerRow, columns, role };
  };
  head.forEach((row, at) => take(row, at + 1));
  if (best.role !== 'machines')
    head.slice(1).forEach((row, at) => {
      if (isHeading(head[at]!) && isHeading(row)) take(together(head[at]!, row), at + 2);
    });
  return best;
}

/** Half of them at least, of those that say anything. */
function areNumbers(texts: readonly string[]): boolean {
  const said = texts.filter((text) => !isMissing(text));
  const marks = marksOf(said) ?? 'point';
  return (
    said.filter((text) => readNumber(text.replace(/^[-−]/, ''), marks) !== null).length * 2 >= said.length
  );
}

function roleOf(columns: readonly Column[]): TableRole {
  const has = (...fields: readonly Field[]): boolean =>
    fields.some((field) => columns.some((column) => column.field === field));
  if (has('vcpu') && has('memory') && (has('name', 'id') || !has('host'))) return 'machines';
  if (has('name', 'id')) {
    if (has('storage', 'stored')) return 'disks';
    if (has('peakCpu', 'usualCpu', 'peakMemory', 'usualMemory', 'useCpu', 'useMemory', 'iops', 'sent'))
      return 'measurements';
  }
  return has('host') && has('cluster') && !has('name') ? 'hosts' : 'ignored';
}

/** Headings are words: a row with a number in it is none. */
function isHeading(row: readonly string[]): boolean {
  const texts = row.filter((text) => text.trim() !== '');
  return texts.length > 1 && texts.every((text) => !/^[\d.,\s]+$/.test(text));
}

/** An upper heading goes for the columns to its right that have none of their own above. */
function together(upper: readonly string[], lower: readonly string[]): string[] {
  let carried = '';
  return Array.from({ length: Math.max(upper.length, lower.length) }, (_, at) => {
    carried = upper[at]?.trim() || carried;
    return `${carried} ${lower[at]?.trim() ?? ''}`.trim();
  });
}
