/** A bill in Parquet. Its end says where everything is, so the whole file is held; rows are read in parts. */
import { type AsyncBuffer, type FileMetaData, parquetMetadata, parquetRead } from 'hyparquet';
import { compressors } from 'hyparquet-compressors';
import { cut } from '@/engine/base';
import { SplitError } from '@/features/price-books/format/stream/splitter';
import type { BillReader } from './bill-reader';

const MOST_BYTES = 400_000_000;
const MOST_UNPACKED = 4_000_000_000;
const MOST_ROWS = 20_000_000;
const AT_ONCE = 20_000;

export async function readParquetBill(
  source: AsyncIterable<Uint8Array>,
  reader: BillReader,
  between: () => Promise<void>,
): Promise<void> {
  const bytes = await whole(source);
  const file: AsyncBuffer = {
    byteLength: bytes.byteLength,
    slice: (from, to) => bytes.slice(from, to).buffer as ArrayBuffer,
  };
  const metadata = headOf(bytes);
  const names = topLevel(metadata);
  if (!reader.takeColumns(names)) return;
  const rows = Number(metadata.num_rows);
  for (let from = 0; from < rows; from += AT_ONCE) {
    const to = Math.min(rows, from + AT_ONCE);
    const part = await partOf({ file, metadata, rowStart: from, rowEnd: to }, from);
    await reader.take(
      part.map((row, at) => ({
        cells: names.map((name) => textOfCell(row[name], from + at + 1, name)),
        line: from + at + 1,
      })),
    );
    await between();
    if (!reader.faults.takesMore) return;
  }
}

interface Part {
  readonly file: AsyncBuffer;
  readonly metadata: FileMetaData;
  readonly rowStart: number;
  readonly rowEnd: number;
}

async function partOf(part: Part, from: number): Promise<Record<string, unknown>[]> {
  try {
    let rows: Record<string, unknown>[] = [];
    await parquetRead({
      ...part,
      compressors,
      rowFormat: 'object',
      onComplete: (all: Record<string, unknown>[]) => {
        rows = all;
      },
    });
    return rows;
  } catch (error) {
    throw new SplitError(
      'the Parquet file cannot be read from here on; it may be damaged',
      from + 1,
      1,
      '',
      error,
    );
  }
}

async function whole(source: AsyncIterable<Uint8Array>): Promise<Uint8Array> {
  const parts: Uint8Array[] = [];
  let length = 0;
  for await (const part of source) {
    length += part.byteLength;
    if (length > MOST_BYTES)
      throw new SplitError(
        `a Parquet file may have ${MOST_BYTES / 1_000_000} MB; divide it, or send it as CSV`,
        1,
        1,
      );
    parts.push(part);
  }
  return parts.length === 1 ? parts[0]! : new Uint8Array(Buffer.concat(parts));
}

function headOf(bytes: Uint8Array): FileMetaData {
  let metadata: FileMetaData;
  try {
    metadata = parquetMetadata(bytes.slice().buffer as ArrayBuffer);
  } catch (error) {
    throw new SplitError('the Parquet file is cut off or damaged: its end cannot be read', 1, 1, '', error);
  }
  const unpacked = metadata.row_groups.reduce((sum, group) => sum + Number(group.total_byte_size), 0);
  if (Number(metadata.num_rows) > MOST_ROWS || unpacked > MOST_UNPACKED)
    throw new SplitError(
      `a Parquet file may hold ${MOST_ROWS} rows and unpack to ${MOST_UNPACKED / 1e9} GB`,
      1,
      1,
    );
  return metadata;
}

/** Columns at the top; what is nested in them comes as one value. */
function topLevel({ schema }: FileMetaData): string[] {
  const names: string[] = [];
  let at = 1;
  const skip = (): void => {
    const children = schema[at]?.num_children ?? 0;
    at += 1;
    for (let child = 0; child < children && at < schema.length; child += 1) skip();
  };
  while (at < schema.length) {
    names.push(schema[at]!.name);
    skip();
  }
  return names;
}

function textOfCell(value: unknown, line: number, name: string): string {
  switch (typeof value) {
    case 'string':
      return value;
    case 'number':
    case 'bigint':
    case 'boolean':
      return String(value);
    case 'undefined':
      return '';
    default:
      break;
  }
  if (value === null) return '';
  if (value instanceof Date) return Number.isNaN(value.getTime()) ? 'no date' : value.toISOString();
  if (Array.isArray(value) || !isPlain(value))
    throw new SplitError(`“${cut(name, 60)}” holds what is no text, number or date`, line, 1, name);
  return JSON.stringify(value, (_, each: unknown) => (typeof each === 'bigint' ? String(each) : each));
}

const isPlain = (value: unknown): boolean =>
  Object.getPrototypeOf(value) === Object.prototype || Object.getPrototypeOf(value) === null;
