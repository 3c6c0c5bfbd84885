/** Rows of a CSV file of any program, as they come: its signs, its separator, its quotes. Needs M1. */
import { parse } from 'csv-parse/browser/esm/sync';
import {
  InventoryError,
  type InventoryFile,
  MOST_COLUMNS,
  MOST_OF_CELL,
  type RowBatch,
} from './inventory-file';
import { type Encoding, encodingOf, textOf } from './text-of-bytes';

const MOST_BYTES = 1_000_000_000;
/** Letters of one row, and of a piece in which no row ends. */
const MOST_OF_ROW = 2_000_000;
const MOST_WITHOUT_END = 8_000_000;
const SEPARATORS = [';', '\t', ',', '|'] as const;

export async function* csvRows(file: InventoryFile): AsyncGenerator<RowBatch> {
  if (file.size > MOST_BYTES)
    throw new InventoryError('The file is larger than 1 GB. Take it apart, by cluster for example.');
  const encoding = encodingOf(await firstBytes(file));
  let given = 0;
  try {
    for await (const batch of inEncoding(file, encoding)) {
      given += batch.rows.length;
      yield batch;
    }
  } catch (error) {
    if (!(error instanceof TypeError) || encoding !== 'utf-8') throw error;
    // Eight-bit signs somewhere in it: from the beginning, without what was given.
    for await (const batch of inEncoding(file, 'windows-1252')) {
      const last = batch.first + batch.rows.length - 1;
      if (last > given)
        yield {
          ...batch,
          first: Math.max(batch.first, given + 1),
          rows: batch.rows.slice(Math.max(0, given + 1 - batch.first)),
        };
    }
  }
}

async function firstBytes(file: InventoryFile): Promise<Uint8Array> {
  for await (const piece of file.bytes()) if (piece.length > 0) return piece.subarray(0, 4096);
  return new Uint8Array();
}

async function* inEncoding(file: InventoryFile, encoding: Encoding): AsyncGenerator<RowBatch> {
  const cutter = new RowCutter();
  let [separator, first, read] = ['', 1, 0];
  const batch = (text: string): RowBatch | null => {
    separator ||= separatorOf(text);
    const rows = text === '' ? [] : parsed(text, separator, first);
    if (rows.length === 0) return null;
    const made = { sheet: '', hidden: false, first, rows, bytes: read };
    first += rows.length;
    return made;
  };
  let isStart = true;
  for await (const { text, bytes } of textOf(file.bytes(), encoding)) {
    read = bytes;
    const made = batch(cutter.push(isStart ? text.replace(/^\ufeff/, '') : text));
    if (text !== '') isStart = false;
    if (made) yield made;
  }
  const rest = batch(cutter.rest());
  if (rest) yield rest;
}

/** Whole rows out of pieces: a line that ends inside quotes is no end of a row. */
class RowCutter {
  private kept = '';
  private inQuotes = false;
  /** Where the last whole row ends in what is kept. */
  private end = 0;

  push(text: string): string {
    const from = this.kept.length;
    this.kept += text;
    for (let at = from; at < this.kept.length; at += 1) {
      const code = this.kept.charCodeAt(at);
      if (code === 34) this.inQuotes = !this.inQuotes;
      else if (code === 10 && !this.inQuotes) this.end = at + 1;
    }
    // A lone quote somewhere: rows are taken to end with their lines again.
    if (this.end === 0 && this.kept.length > MOST_WITHOUT_END) {
      this.end = this.kept.lastIndexOf('\n') + 1;
      this.inQuotes = false;
      if (this.end === 0) throw tooLong();
    }
    return this.take(this.end);
  }

  rest(): string {
    return this.take(this.kept.length);
  }

  private take(end: number): string {
    const whole = this.kept.slice(0, end);
    this.kept = this.kept.slice(end);
    this.end = 0;
    return whole;
  }
}

const tooLong = (): InventoryError =>
  new InventoryError(
    'The file cannot be read as CSV: a quote is not closed, or a row is longer than two million letters.',
  );

const ENCODER = new TextEncoder();

function parsed(text: string, delimiter: string, first: number): string[][] {
  let rows: string[][];
  try {
    // As bytes: the package turns text into them more slowly than the platform does.
    rows = parse(ENCODER.encode(text), {
      delimiter,
      relax_column_count: true,
      relax_quotes: true,
      max_record_size: MOST_OF_ROW,
    });
  } catch (error) {
    const at = /line (\d+)/.exec(error instanceof Error ? error.message : '')?.[1];
    throw new InventoryError(
      `The file cannot be read as CSV${at ? `, near line ${first - 1 + Number(at)}` : ''}: a quote is not closed, or a row is longer than two million letters.`,
    );
  }
  rows.forEach((row, index) => {
    if (row.length > MOST_COLUMNS)
      throw new InventoryError(`Row ${first + index} has more than ${MOST_COLUMNS} columns.`);
    const long = row.findIndex((cell) => cell.length > MOST_OF_CELL);
    if (long >= 0)
      throw new InventoryError(
        `Row ${first + index}, column ${long + 1} has more than ${MOST_OF_CELL} letters. No inventory needs so many: is a quote not closed?`,
      );
  });
  return rows;
}

/** The one that the first lines have most often, as often in each. */
function separatorOf(text: string): string {
  const lines = text.split(/\r?\n/, 20).filter((line) => line.trim() !== '');
  const worth = (separator: string): number => {
    const counts = lines.map((line) => line.split(separator).length - 1);
    const most = Math.max(0, ...counts);
    return most === 0 ? 0 : counts.filter((count) => count === most).length * Math.min(most, 50);
  };
  return [...SEPARATORS].sort((a, b) => worth(b) - worth(a))[0]!;
}
