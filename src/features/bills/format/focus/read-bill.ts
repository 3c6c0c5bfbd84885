/** One door for bills in FOCUS form: CSV, packed or not, or Parquet; of any size for CSV. */
import type { BillHead } from '@/features/bills/calc';
import type { Fault } from '@/platform/formats/faults';
import { type ByteBounds, type Read, textOf } from '@/features/price-books/format/stream/bytes';
import { SplitError } from '@/features/price-books/format/stream/splitter';
import { BillReader, type BillSink } from './bill-reader';
import type { Conformance } from './conformance';
import { csvRows } from './csv-rows';
import { readParquetBill } from './read-parquet';

export interface BillRead {
  readonly bills: readonly BillHead[];
  readonly rows: number;
  readonly conformance: Conformance;
  /** Empty: the bill is sound, and the sink has all of it. */
  readonly faults: readonly Fault[];
  readonly more: number;
}

export interface BillReadOptions {
  /** Called now and then with what was read so far; throwing ends the reading. */
  readonly between?: (read: { readonly bytes: number; readonly rows: number }) => Promise<void>;
  readonly bounds?: ByteBounds;
}

const BOUNDS: ByteBounds = { mostBytes: 4_000_000_000, mostRatio: 400 };

/** Reads on after a fault, so that many are told at once. What `sink` or `between` throw is thrown on. */
export async function readBill(
  source: AsyncIterable<Uint8Array>,
  sink: BillSink,
  options: BillReadOptions = {},
): Promise<BillRead> {
  const reader = new BillReader(sink);
  const read: Read = { bytes: 0 };
  const between = async (): Promise<void> => options.between?.({ bytes: read.bytes, rows: reader.rows });
  try {
    const { first, all } = await peekBytes(source);
    if (first.byteLength === 0) throw new SplitError('the file is empty', 1, 1);
    if (isParquet(first)) await readParquetBill(all, reader, between);
    else await readCsv(textOf(all, options.bounds ?? BOUNDS, read), reader, between);
    if (reader.faults.isEmpty && reader.rows === 0) throw new SplitError('the file has no rows', 1, 1);
  } catch (error) {
    if (!(error instanceof SplitError)) throw error;
    reader.fault(error.line, error.column, error.message);
  }
  const { first: faults, more } = reader.faults;
  return { bills: reader.heads, rows: reader.rows, conformance: reader.conformance(), faults, more };
}

const isParquet = (first: Uint8Array): boolean =>
  new TextDecoder('latin1').decode(first.subarray(0, 4)) === 'PAR1';

async function peekBytes(
  source: AsyncIterable<Uint8Array>,
): Promise<{ first: Uint8Array; all: AsyncIterable<Uint8Array> }> {
  const iterator = source[Symbol.asyncIterator]();
  let first: Uint8Array = new Uint8Array();
  while (first.byteLength < 4) {
    const next = await iterator.next();
    if (next.done) break;
    first = first.byteLength === 0 ? next.value : Buffer.concat([first, next.value]);
  }
  async function* all(): AsyncGenerator<Uint8Array> {
    if (first.byteLength > 0) yield first;
    for (;;) {
      const next = await iterator.next();
      if (next.done) return;
      yield next.value;
    }
  }
  return { first, all: all() };
}

/** With what columns are divided where it is no comma. */
const DIVIDERS: readonly (readonly [string, string])[] = [
  [';', 'semicolons'],
  ['\t', 'tabs'],
  ['|', 'bars'],
];

async function readCsv(
  chunks: AsyncIterable<string>,
  reader: BillReader,
  between: () => Promise<void>,
): Promise<void> {
  let width = 0;
  for await (const rows of csvRows(chunks)) {
    let batch = rows;
    if (width === 0) {
      const [head, ...rest] = rows;
      width = head!.cells.length;
      const divided = width === 1 ? DIVIDERS.find(([mark]) => head!.cells[0]!.includes(mark)) : undefined;
      if (divided)
        throw new SplitError(
          `the columns are divided by ${divided[1]}; save the file with commas between them`,
          1,
          1,
        );
      if (!reader.takeColumns(head!.cells)) return;
      batch = rest;
    }
    const odd = batch.find(({ cells }) => cells.length !== width);
    await reader.take(odd ? batch.slice(0, batch.indexOf(odd)) : batch);
    if (odd) {
      const { length } = odd.cells;
      const words = `this row has ${length} ${length === 1 ? 'cell' : 'cells'}, the first has ${width}`;
      throw new SplitError(words, odd.line, Math.min(length, width));
    }
    await between();
    if (!reader.faults.takesMore) return;
  }
}
