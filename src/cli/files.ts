/** Reads files for the command line; what cannot be read is said in one sentence. */
import fs from 'node:fs';
import path from 'node:path';
import { indexBook, type PriceBook } from '@/engine/books';
import { type BookSet, bookSet } from '@/engine/pricing';
import type { Design } from '@/engine/design';
import { type Checked } from '@/platform/formats/faults';
import {
  type OfferRow,
  type PriceBookFile,
  type RateRow,
  type RegionRow,
} from '@/features/price-books/format/price-book-schema';
import { readDesign } from '@/features/design/format/design';
import { toBookData } from '@/features/price-books/format/price-book';
import { utf8Text } from '@/platform/formats/utf8';
import { type BookRead, type BookSink, readBook } from '@/features/price-books/format/stream';
import { AppError, invalid } from '@/platform/use/app-error';
import { terminal } from './terminal';

const STANDARD = '-';
const BOOK_FILE = /\.(json|csv)(\.gz)?$/;

/** The text of a file, “-” for standard input. Refused where it is not UTF-8. */
export function readText(file: string): string {
  let bytes: Uint8Array;
  try {
    bytes = file === STANDARD ? terminal().input() : fs.readFileSync(file);
  } catch {
    throw unreadable(file);
  }
  return orRefuse(utf8Text(bytes), file);
}

/** Writes a file, “-” for standard output. A folder that is not there is said. */
export function writeOut(file: string, content: string | Uint8Array): void {
  if (file === STANDARD) {
    terminal().out(content);
    return;
  }
  const folder = path.dirname(path.resolve(file));
  if (!fs.existsSync(folder)) {
    throw new AppError(
      'not-found',
      `There is no folder “${path.dirname(file)}” to write into. Make it first.`,
    );
  }
  try {
    fs.writeFileSync(file, content);
  } catch {
    throw new AppError('not-found', `“${file}” cannot be written. Check your right to write there.`);
  }
}

/** The file as a stream, after making sure that it can be read. */
export function bytesOf(file: string): {
  readonly source: AsyncIterable<Uint8Array>;
  readonly bytes: number;
} {
  try {
    if (file === STANDARD) return { source: terminal().stream(), bytes: 0 };
    fs.accessSync(file, fs.constants.R_OK);
    return { source: fs.createReadStream(file, { highWaterMark: 262_144 }), bytes: fs.statSync(file).size };
  } catch {
    throw unreadable(file);
  }
}

function unreadable(file: string): AppError {
  const what = file === STANDARD ? 'Standard input' : `“${file}”`;
  return new AppError('not-found', `${what} cannot be read. Check the name and your right to read it.`);
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

/** Files, folders, several of each. One book and revision may stand in them once. */
export async function readBooks(paths: readonly string[]): Promise<PriceBookFile[]> {
  const names = bookFiles(paths);
  const seen = new Map<string, string>();
  const files: PriceBookFile[] = [];
  for (const name of names) {
    const file = await readBookFile(name);
    const key = `${file.book.key}, revision ${file.revision.number}`;
    const before = seen.get(key);
    if (before !== undefined) {
      throw invalid(`“${before}” and “${name}” are both ${key}. Name only one of them.`);
    }
    seen.set(key, name);
    files.push(file);
  }
  return files;
}

/** Files, and what is in folders. */
export function bookFiles(paths: readonly string[]): string[] {
  return paths.flatMap((each) => (isFolder(each) ? bookFilesIn(each) : [each]));
}

function isFolder(name: string): boolean {
  return fs.statSync(name, { throwIfNoEntry: false })?.isDirectory() ?? false;
}

export async function booksOf(paths: readonly string[]): Promise<BookSet> {
  return bookSet(await indexedBooks(paths));
}

/** Every revision that the files have. */
export async function indexedBooks(paths: readonly string[]): Promise<PriceBook[]> {
  return (await readBooks(paths)).map((file) => indexBook(toBookData(file)));
}

/** The newest revision of a book among the files; null: there is none of that key. */
export async function newestBook(paths: readonly string[], key: string): Promise<PriceBook | null> {
  const own = (await indexedBooks(paths)).filter((book) => book.key === key);
  return own.sort((a, b) => b.revision - a.revision)[0] ?? null;
}

/** A design file, checked. */
export function readDesignFile(file: string): Design {
  return orRefuse(readDesign(readText(file)), file);
}

/** The content of a file, or its faults as a refusal. */
export function orRefuse<T>(read: Checked<T>, file: string): T {
  if (read.ok) return read.value;
  throw invalid(`“${file}” is refused:`, read.faults, read.more);
}
