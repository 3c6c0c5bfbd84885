/**
 * Bringing in a price book of any size: streamed, checked as it comes, published whole or not at all, with progress
 * that every window sees and a way to stop. Source: architecture, "Data"; needs J1, K1.
 */
import type { PriceBookFile } from '@/formats';
import { type BookRead, readBook } from '@/formats/stream';
import { allow } from './may';
import { AppError, asAppError, invalid, notFound } from './app-error';
import type { Context, ImportRow } from './ports';
import { timely } from './timely';

export interface ImportedBook {
  readonly key: string;
  readonly title: string;
  readonly revision: number;
  readonly rates: number;
}

export interface Upload {
  /** Chosen by the caller, so that progress can be asked for while the file is still on its way. */
  readonly id: string;
  readonly fileName: string;
  readonly bytesTotal: number | null;
  readonly source: AsyncIterable<Uint8Array>;
}

/** How often progress is written down and a wish to cancel looked for. */
const EVERY_MILLISECONDS = 400;
/** A running import that was not heard of for so long was broken off with its process. */
const SILENT_MILLISECONDS = 60_000;

/** Each holds a connection while it lasts; the others are for everybody else. */
const MOST_AT_ONCE = 3;

let underWay = 0;

class Cancelled extends Error {}

/** Publishes the book, or refuses it with its faults and changes nothing. */
export async function importBook(context: Context, upload: Upload): Promise<ImportedBook> {
  allow(context.actor, 'importBook');
  if (underWay >= MOST_AT_ONCE) {
    const message = `${MOST_AT_ONCE} imports are under way already. Try again when one of them has ended.`;
    throw new AppError('unavailable', message);
  }
  underWay += 1;
  try {
    return await importNow(context, upload);
  } finally {
    underWay -= 1;
  }
}

async function importNow(context: Context, upload: Upload): Promise<ImportedBook> {
  const { imports, now, actor } = context;
  await imports.begin(actor.workspace, upload, now());
  try {
    const read = await publishStream(context, upload);
    const book = {
      key: read.head!.book.key,
      title: read.head!.book.title,
      revision: read.head!.revision.number,
    };
    await imports.end(upload.id, 'done', { book }, now());
    return { ...book, rates: read.counts.rates };
  } catch (thrown) {
    const error =
      thrown instanceof Cancelled
        ? new AppError('conflict', 'The import was cancelled. Nothing was changed.')
        : asAppError(thrown);
    const state = thrown instanceof Cancelled ? 'cancelled' : 'refused';
    await imports
      .end(upload.id, state, { message: error.message, ...error.detail }, now())
      .catch(() => undefined);
    throw thrown instanceof Cancelled ? error : thrown;
  }
}

async function publishStream(context: Context, upload: Upload): Promise<BookRead> {
  const { books, imports, actor, now } = context;
  let last = now().getTime();
  const between = async ({ bytes, rates }: { bytes: number; rates: number }): Promise<void> => {
    const at = now();
    if (at.getTime() - last < EVERY_MILLISECONDS) return;
    last = at.getTime();
    if (await imports.progress(upload.id, bytes, rates, at)) throw new Cancelled();
  };
  let read: BookRead | undefined;
  await books.publish(actor.workspace, now(), async (sink) => {
    read = await readBook(timely(upload.source), sink, { between });
    if (read.faults.length > 0) throw refusal(read);
    // Whoever asks to cancel before it is published is heard.
    if (await imports.progress(upload.id, upload.bytesTotal ?? 0, read.counts.rates, now()))
      throw new Cancelled();
  });
  return read!;
}

function refusal({ faults, more }: BookRead): AppError {
  const count = faults.length + more;
  const message = `The price book has ${count} ${count === 1 ? 'fault' : 'faults'}. Nothing was imported.`;
  return invalid(message, faults, more);
}

/** How an import stands. One whose process died is told as refused. */
export async function importProgress(context: Context, id: string): Promise<ImportRow> {
  allow(context.actor, 'importProgress');
  const row = await context.imports.find(context.actor.workspace, id);
  if (!row) throw notFound('import');
  const silent = context.now().getTime() - new Date(row.seenAt).getTime() > SILENT_MILLISECONDS;
  if (row.state !== 'running' || !silent) return row;
  const message = 'The import was broken off, and nothing was changed. Start it again.';
  return { ...row, state: 'refused', outcome: { message } };
}

export async function cancelImport(context: Context, id: string): Promise<void> {
  allow(context.actor, 'cancelImport');
  if (!(await context.imports.cancel(context.actor.workspace, id))) throw notFound('running import');
}

/** Publishes a checked file that is already in memory. */
export async function publishBook(context: Context, file: PriceBookFile): Promise<ImportedBook> {
  allow(context.actor, 'publishBook');
  const { book, revision, regions, offers, rates } = file;
  await context.books.publish(context.actor.workspace, context.now(), async (sink) => {
    await sink.head({ book, revision });
    await sink.regions(regions);
    await sink.offers(offers);
    for (let at = 0; at < rates.length; at += 1000) await sink.rates(rates.slice(at, at + 1000));
  });
  return { key: book.key, title: book.title, revision: revision.number, rates: rates.length };
}
