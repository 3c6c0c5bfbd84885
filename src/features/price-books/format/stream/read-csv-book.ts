/** The flat CSV form of a price book as a stream. Rows of one rate's tiers stand one below the other. */
import { cut } from '@/engine/base';
import { CsvError, parse } from 'csv-parse';
import { Readable } from 'node:stream';
import type { BookReader, Placed } from './book-reader';
import {
  COLUMN_OF,
  CSV_COLUMNS,
  type CsvColumn,
  type CsvRecord,
  headOf,
  offerOf,
  OPTIONAL_COLUMNS,
  rateOf,
  regionOf,
  unguarded,
} from './csv-columns';
import { SplitError } from './splitter';

const BATCH = 1000;
/** No row of a price book is longer, and none has more cells. */
const LONGEST = 100_000;
const MOST_CELLS = 500;
/** No rate has more tiers. */
const MOST_TIERS = 60;

interface Line {
  readonly record: CsvRecord;
  readonly line: number;
}

/** Throws `SplitError` where the text is no CSV or a column is missing. */
export async function readCsvBook(
  chunks: AsyncIterable<string>,
  reader: BookReader,
  between: () => Promise<void>,
): Promise<void> {
  const flat = new FlatBook(reader);
  const parser = parse({
    bom: true,
    columns: (head: string[]) => flat.takeColumns(head),
    info: true,
    max_record_size: LONGEST,
    skip_empty_lines: true,
    relax_column_count: false,
  });
  const source = Readable.from(boundedRows(chunks));
  source.on('error', (error) => parser.destroy(error));
  source.pipe(parser);
  let [rows, last] = [0, 0];
  try {
    for await (const { record, info } of parser as AsyncIterable<{
      record: Record<string, string>;
      info: { lines: number };
    }>) {
      await flat.take({ record: withAll(record), line: info.lines - brokenLines(record, info.lines - last) });
      last = info.lines;
      rows += 1;
      if (rows % BATCH === 0) await between();
    }
  } catch (error) {
    throw asSplitError(error);
  }
  await flat.end();
  reader.finish();
}

/** Line ends within a row's cells: the parser tells where a row ends, and a person looks for where it begins. */
function brokenLines(record: Readonly<Record<string, string>>, passed: number): number {
  if (passed <= 1) return 0;
  return Object.values(record).reduce((sum, cell) => sum + (cell.match(/\n/g)?.length ?? 0), 0);
}

const TIER_COLUMNS: ReadonlySet<CsvColumn> = new Set(['x_TierUpTo', 'ListUnitPrice']);

/**
 * Passes text on and counts the cells and letters of each row while they come, before anything is built of them: what
 * stands in quotes may hold commas and line ends.
 */
async function* boundedRows(chunks: AsyncIterable<string>): AsyncGenerator<string> {
  let [cells, letters, line, quoted] = [0, 0, 1, false];
  for await (const chunk of chunks) {
    let from = 0;
    for (const { 0: found, index } of chunk.matchAll(/[",\n]/g)) {
      letters += index - from;
      from = index;
      if (found === '"') quoted = !quoted;
      else if (found === '\n') line += 1;
      if (found === '\n' && !quoted) [cells, letters] = [0, 0];
      else if (found === ',' && !quoted) cells += 1;
      if (cells > MOST_CELLS) throw new SplitError(`a row has more than ${MOST_CELLS} cells`, line, 1);
      if (letters > LONGEST) throw new SplitError(`a row is longer than ${LONGEST} characters`, line, 1);
    }
    letters += chunk.length - from;
    if (letters > LONGEST) throw new SplitError(`a row is longer than ${LONGEST} characters`, line, 1);
    yield chunk;
  }
}

function withAll(record: Record<string, string>): CsvRecord {
  const all = {} as Record<CsvColumn, string>;
  for (const column of CSV_COLUMNS) all[column] = unguarded(column, record[column] ?? '');
  return all;
}

function asSplitError(error: unknown): unknown {
  if (!(error instanceof CsvError)) return error;
  const lines = (error as { lines?: number }).lines ?? 1;
  const words: Readonly<Record<string, string>> = {
    CSV_RECORD_INCONSISTENT_COLUMNS: 'this row has another number of cells than the first',
    CSV_QUOTE_NOT_CLOSED: 'a quoted cell is not closed; the file may be cut off',
    INVALID_OPENING_QUOTE: 'a quote stands in the middle of a cell; double it, and quote the whole cell',
    CSV_MAX_RECORD_SIZE: `a row is longer than ${LONGEST} characters`,
  };
  return new SplitError(words[String(error.code)] ?? 'not valid CSV', lines, 1);
}

class FlatBook {
  private columns: readonly string[] = [];
  private head: Line | null = null;
  private readonly regions = new Map<string, string>();
  private readonly offers = new Map<string, string>();
  private group: Line[] = [];
  private rates: Placed[] = [];
  private ratesAt = 0;

  constructor(private readonly reader: BookReader) {}

  takeColumns(head: string[]): string[] {
    this.columns = head.map((name) => name.trim());
    const missing = CSV_COLUMNS.filter(
      (column) => !this.columns.includes(column) && !OPTIONAL_COLUMNS.includes(column),
    );
    if (missing.length > 0) throw new SplitError(`these columns are missing: ${missing.join(', ')}`, 1, 1);
    const known: ReadonlySet<string> = new Set(CSV_COLUMNS);
    this.columns.forEach((column, at) => {
      const name = cut(column, 40);
      if (!known.has(column)) throw new SplitError(`the column “${name}” is not known`, 1, at + 1);
      if (this.columns.indexOf(column) !== at)
        throw new SplitError(`the column “${name}” stands twice`, 1, at + 1);
    });
    return [...this.columns];
  }

  async take(line: Line): Promise<void> {
    if (!this.head) {
      this.head = line;
      const { book, revision } = headOf(line.record);
      await this.reader.takeHead(
        this.placed(book, 'book', line, 'book'),
        this.placed(revision, 'revision', line, 'revision'),
      );
    }
    if (this.group.length > 0 && !sameRate(this.group[0]!.record, line.record)) await this.closeGroup();
    this.group.push(line);
    if (this.group.length > MOST_TIERS) {
      throw new SplitError(`a rate has at most ${MOST_TIERS} rows, one for each tier`, line.line, 1);
    }
  }

  async end(): Promise<void> {
    if (!this.head) throw new SplitError('the file has no rows', 1, 1);
    if (this.group.length > 0) await this.closeGroup();
    await this.flush();
  }

  private async closeGroup(): Promise<void> {
    const rows = this.group;
    this.group = [];
    const [first] = rows as [Line];
    this.sameHead(rows);
    this.sameButTiers(rows);
    const region = regionOf(first.record);
    if (this.isNew(this.regions, first.record.RegionId, region, first, 'region')) {
      await this.flush();
      await this.reader.takeRegions([this.placed(region, `row ${first.line}`, first, 'region')]);
    }
    const offer = offerOf(first.record);
    if (this.isNew(this.offers, first.record.SkuId, offer, first, 'offer')) {
      await this.flush();
      await this.reader.takeOffers([this.placed(offer, `row ${first.line}`, first, 'offer')]);
    }
    const rate = rateOf(rows.map((row) => row.record));
    this.rates.push(this.placed(rate, `rates[${this.ratesAt}]`, first, 'rate'));
    this.ratesAt += 1;
    if (this.rates.length >= BATCH) await this.flush();
  }

  /** The rows of one rate differ in where a tier ends and what it costs, and in nothing else. */
  private sameButTiers([first, ...others]: readonly Line[]): void {
    for (const { record, line } of others) {
      for (const column of CSV_COLUMNS) {
        if (TIER_COLUMNS.has(column) || record[column] === first!.record[column]) continue;
        const message = `the tiers of one rate have the same ${column} in every row`;
        const at = this.columns.indexOf(column) + 1;
        this.reader.fault({ path: `row ${line}`, message, line, column: at });
      }
    }
  }

  /** Says whether it was not there before; what was must be written the same again. */
  private isNew(known: Map<string, string>, key: string, value: unknown, row: Line, what: string): boolean {
    const text = JSON.stringify(value);
    const before = known.get(key);
    if (before === undefined) {
      known.set(key, text);
      return true;
    }
    if (before !== text) {
      const [column, message] = this.otherwise(before, text, what, cut(key, 80));
      this.reader.fault({ path: `row ${row.line}`, message, line: row.line, column });
    }
    return false;
  }

  /** Which cell is another than before, as a person would look for it. */
  private otherwise(before: string, now: string, what: string, key: string): [number, string] {
    const [old, fresh] = [before, now].map((text) => JSON.parse(text) as Record<string, unknown>);
    const field = Object.keys(fresh!).find((each) => old![each] !== fresh![each]) ?? '';
    const name = COLUMN_OF[`${what}.${field}`];
    if (!name) return [1, `the ${what} “${key}” is described otherwise in an earlier row`];
    const message = `the ${what} “${key}” had ${written(old![field])} as its ${name} in an earlier row`;
    return [this.columns.indexOf(name) + 1, message];
  }

  private sameHead(rows: readonly Line[]): void {
    const wanted = JSON.stringify(headOf(this.head!.record));
    for (const row of rows) {
      if (JSON.stringify(headOf(row.record)) === wanted) continue;
      const name = HEAD_COLUMNS.find((each) => row.record[each] !== this.head!.record[each])!;
      const message = `the book and its revision must be the same in every row, and ${name} was ${written(this.head!.record[name])}`;
      const column = this.columns.indexOf(name) + 1;
      this.reader.fault({ path: `row ${row.line}`, message, line: row.line, column });
    }
  }

  private async flush(): Promise<void> {
    const rows = this.rates;
    this.rates = [];
    if (rows.length > 0) await this.reader.takeRates(rows);
  }

  private placed(row: unknown, path: string, { line }: Line, what: string): Placed {
    return {
      row,
      path,
      at: (field) => {
        const column = COLUMN_OF[`${what}.${field.replace(/\[.*$/, '')}`];
        return { line, column: column ? this.columns.indexOf(column) + 1 : 1 };
      },
    };
  }
}

/** What `headOf` reads. */
const HEAD_COLUMNS = CSV_COLUMNS.slice(0, CSV_COLUMNS.indexOf('RegionId'));

function written(value: unknown): string {
  return value === null || value === undefined || value === '' ? 'nothing' : `“${cut(String(value), 60)}”`;
}

function sameRate(a: CsvRecord, b: CsvRecord): boolean {
  return (
    a.SkuId === b.SkuId && a.RegionId === b.RegionId && a.SkuMeter === b.SkuMeter && a.x_Term === b.x_Term
  );
}
