/** Rows copied from a spreadsheet: cut into cells, and what each column most likely is. */
import { parse } from 'csv-parse/browser/esm/sync';

export const FIELDS = [
  ['ignore', 'leave out'],
  ['name', 'name'],
  ['kind', 'kind'],
  ['provider', 'provider'],
  ['region', 'region'],
  ['offer', 'offer or SKU'],
  ['vcpu', 'vCPU'],
  ['memory', 'memory, GiB'],
  ['count', 'count'],
  ['use', 'use of each'],
  ['paid', 'way of paying'],
] as const;
export type Field = (typeof FIELDS)[number][0];

/** What people write above such columns, in small letters. The first that fits wins. */
const HEADINGS: readonly (readonly [Field, RegExp])[] = [
  ['provider', /^(provider|provider book|book|vendor|cloud)$/],
  ['region', /^(region|regionid|location|site|where|place)$/],
  ['vcpu', /^(v?cpus?|vcpus?|cores?|processors?)$/],
  ['memory', /^(memory|ram|mem)(\b.*)?$/],
  ['count', /^(count|quantity|qty|number|units|instances|how many|amount)$/],
  ['use', /^(use|use of each|usage|size|capacity|storage|hours|hours a month|volume|disk)(\b.*)?$/],
  ['paid', /^(paid|term|way of paying|payment|commitment|purchase)$/],
  ['offer', /^(offer|sku|skuid|type|model|flavou?r|what|instance)$/],
  ['kind', /^(kind|service|category|resource)$/],
  ['name', /^(name|component|line|machine|host|server name|role|description|title)$/],
];

export interface PastedTable {
  /** The first row, where it names columns; else null. */
  readonly head: readonly string[] | null;
  readonly fields: readonly Field[];
  readonly rows: readonly (readonly string[])[];
}

export const MOST_ROWS = 400;
const MOST_COLUMNS = 40;
const MOST_CHARACTERS = 1_000_000;

/** A sentence where the text is no table we take. */
export function readPasted(text: string): PastedTable | string {
  if (text.length > MOST_CHARACTERS) return 'That is more than a million characters; paste fewer rows.';
  const cells = cut(text);
  if (typeof cells === 'string') return cells;
  if (cells.length === 0) return 'There is nothing to paste.';
  const width = Math.max(...cells.map((row) => row.length));
  if (width > MOST_COLUMNS) return `That has ${width} columns; at most ${MOST_COLUMNS} are taken.`;
  const even = cells.map((row) => Array.from({ length: width }, (_, at) => row[at] ?? ''));
  const named = even[0]!.map(fieldOf);
  const known = named.filter((field) => field !== 'ignore').length;
  const hasHead = known >= Math.min(2, width) && known > 0;
  const rows = hasHead ? even.slice(1) : even;
  if (rows.length === 0) return 'There is a row of headings and nothing below it.';
  if (rows.length > MOST_ROWS) return `That has ${rows.length} rows; at most ${MOST_ROWS} are taken at once.`;
  return { head: hasHead ? even[0]! : null, fields: hasHead ? once(named) : guessed(width), rows };
}

function cut(text: string): string[][] | string {
  const delimiter = text.includes('\t') ? '\t' : text.includes(';') ? ';' : ',';
  try {
    return parse(text, {
      delimiter,
      bom: true,
      relax_column_count: true,
      skip_empty_lines: true,
      trim: true,
    });
  } catch {
    // A quotation mark inside a cell copied from a sheet is no quoting.
    const lines = text.split(/\r?\n/).filter((line) => line.trim() !== '');
    return lines.map((line) => line.split(delimiter).map((cell) => cell.trim()));
  }
}

function fieldOf(heading: string): Field {
  const plain = heading.trim().toLowerCase();
  return HEADINGS.find(([, pattern]) => pattern.test(plain))?.[0] ?? 'ignore';
}

/** Each field once; a second column of the same is left out. */
function once(fields: readonly Field[]): Field[] {
  return fields.map((field, at) => (fields.indexOf(field) === at ? field : 'ignore'));
}

function guessed(width: number): Field[] {
  return (['name', 'count', 'offer', 'use'] as Field[])
    .slice(0, width)
    .concat(Array.from({ length: Math.max(0, width - 4) }, () => 'ignore'));
}
