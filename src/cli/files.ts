/** Reads files for the command line; what cannot be read is said in one sentence. */
import fs from 'node:fs';
import path from 'node:path';
import { indexBook } from '@/core/books';
import { type BookSet, bookSet } from '@/core/pricing';
import {
  type Checked,
  type OfferRow,
  type PriceBookFile,
  type RateRow,
  type RegionRow,
  toBookData,
} from '@/formats';
import { type BookRead, type BookSink, readBook } from '@/formats/stream';
import { AppError, invalid } from '@/operations';

const BOOK_FILE = /\.(json|csv)(\.gz)?$/;

export function readText(file: string): string {
  try {
    return fs.readFileSync(file, 'utf8');
  } catch {
    throw unreadable(file);
  }
}

/** The file as a stream, after making sure that it can be read. */
export function bytesOf(file: string): {
  readonly source: AsyncIterable<Uint8Array>;
  readonly bytes: number;
} {
  try {
    fs.accessSync(file, fs.constants.R_OK);
    return { source: fs.createReadStream(file, { highWaterMark: 262_144 }), bytes: fs.statSync(file).size };
  } catch {
    throw unreadable(file);
  }
}

function unreadable(file: string): AppError {
  return new AppError('not-found', `“${file}” cannot be read. Check the name and your right to read it.`);
}

/** The price-book files of a folder, in name order: JSON or flat CSV, packed or not. */
function bookFilesIn(folder: string): string[] {
  try {
    const names = fs.readdirSync(folder).filter((name) => BOOK_FILE.test(name));
    return names.sort().map((name) => path.join(folder, name));
  } catch {
    throw new AppError('not-found', `The folder “${folder}” cannot be read.`);
  }
}

/** A whole price book in memory; refused with its faults. */
export async function readBookFile(file: string): Promise<PriceBookFile> {
  const { kept, sink } = keeping();
  const read = await readBook(bytesOf(file).source, sink);
  if (read.faults.length > 0) throw invalid(`“${file}” is refused:`, read.faults, read.more);
  return { format: 'wick-price-book', version: 1, ...read.head!, ...kept };
}

/** Checks a file without keeping anything of it. */
export function checkBookFile(file: string): Promise<BookRead> {
  const nothing = async (): Promise<void> => undefined;
  return readBook(bytesOf(file).source, { head: nothing, regions: nothing, offers: nothing, rates: nothing });
}

function keeping(): { kept: { regions: RegionRow[]; offers: OfferRow[]; rates: RateRow[] }; sink: BookSink } {
  const kept = { regions: [] as RegionRow[], offers: [] as OfferRow[], rates: [] as RateRow[] };
  return {
    kept,
    sink: {
      head: async () => undefined,
      regions: async (rows) => void kept.regions.push(...rows),
      offers: async (rows) => void kept.offers.push(...rows),
      rates: async (rows) => void kept.rates.push(...rows),
    },
  };
}

export async function readBookFolder(folder: string): Promise<PriceBookFile[]> {
  const files: PriceBookFile[] = [];
  for (const file of bookFilesIn(folder)) files.push(await readBookFile(file));
  return files;
}

export async function booksOfFolder(folder: string): Promise<BookSet> {
  return bookSet((await readBookFolder(folder)).map((file) => indexBook(toBookData(file))));
}

/** The content of a file, or its faults as a refusal. */
export function orRefuse<T>(read: Checked<T>, file: string): T {
  if (read.ok) return read.value;
  throw invalid(`“${file}” is refused:`, read.faults, read.more);
}
