/** One door for price-book files of any size and form: JSON or flat CSV, packed or not. */
import type { Fault } from '@/platform/formats/faults';
import { BookReader, type BookCounts, type BookHeadRow, type BookSink } from './book-reader';
import { BOOK_BOUNDS, type ByteBounds, type Read, textOf } from './bytes';
import { readCsvBook } from './read-csv-book';
import { readJsonBook } from './read-json-book';
import { SplitError } from './splitter';

export interface BookRead {
  readonly head: BookHeadRow | null;
  readonly counts: BookCounts;
  /** Empty: the book is sound, and the sink has all of it. */
  readonly faults: readonly Fault[];
  readonly more: number;
}

export interface ReadOptions {
  /** Called now and then with what was read so far; throwing ends the reading. */
  readonly between?: (read: { readonly bytes: number; readonly rates: number }) => Promise<void>;
  readonly bounds?: ByteBounds;
}

/** Reads to the end even when there are faults, so that all are told. What `sink` or `between` throw is thrown on. */
export async function readBook(
  source: AsyncIterable<Uint8Array>,
  sink: BookSink,
  options: ReadOptions = {},
): Promise<BookRead> {
  const reader = new BookReader(sink);
  const read: Read = { bytes: 0 };
  const between = async (): Promise<void> =>
    options.between?.({ bytes: read.bytes, rates: reader.counts.rates });
  try {
    const chunks = textOf(source, options.bounds ?? BOOK_BOUNDS, read);
    const { begins, all } = await peek(chunks);
    if (begins === '') throw new SplitError('the file is empty', 1, 1);
    if (begins === '[') throw new SplitError('a price book begins with “{”, not with a list', 1, 1);
    await (begins === '{' ? readJsonBook : readCsvBook)(all, reader, between);
  } catch (error) {
    if (!(error instanceof SplitError)) throw error;
    const { message, line, column, path } = error;
    reader.fault({ path, message, line, column });
  }
  return {
    head: reader.head,
    counts: reader.counts,
    faults: reader.faults.first,
    more: reader.faults.more,
  };
}

/** The first character that is no white space, and the text from its beginning. */
async function peek(chunks: AsyncGenerator<string>): Promise<{ begins: string; all: AsyncIterable<string> }> {
  let begun = '';
  for (;;) {
    const next = await chunks.next();
    if (next.done) break;
    begun += next.value;
    const seen = begun.replace(/^\uFEFF/, '').trimStart();
    if (seen !== '' || begun.length > 1_000_000) return { begins: seen.charAt(0), all: after(begun, chunks) };
  }
  return {
    begins: begun
      .replace(/^\uFEFF/, '')
      .trimStart()
      .charAt(0),
    all: after(begun, chunks),
  };
}

async function* after(begun: string, rest: AsyncIterable<string>): AsyncGenerator<string> {
  yield begun;
  yield* rest;
}
