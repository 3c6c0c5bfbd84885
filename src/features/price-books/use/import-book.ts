/**
 * Bringing in a price book of any size: streamed, checked as it comes, published whole or not at all, with progress
 * that every window sees and a way to stop. Source: architecture, "Data"; needs J1, K1.
 */
import type { PriceBookFile } from '@/features/price-books/format/price-book-schema';
import { type BookRead, readBook } from '@/features/price-books/format/stream';
import { allow } from '@/platform/use/may';
import { type AppError, invalid, notFound } from '@/platform/use/app-error';
import type { Context, ImportRow } from '@/stores/ports';
import { timely } from '@/platform/use/timely';
import { type Between, trackedImport, type Upload } from '@/platform/use/tracked-import';

export interface ImportedBook {
  readonly key: string;
  readonly title: string;
  readonly revision: number;
  readonly rates: number;
}

/** Publishes the book, or refuses it with its faults and changes nothing. */
export async function importBook(context: Context, upload: Upload): Promise<ImportedBook> {
  allow(context.actor, 'importBook');
  const read = await trackedImport(context, upload, {
    work: (between) => publishStream(context, upload, between),
    outcome: ({ head }) => ({
      book: { key: head!.book.key, title: head!.book.title, revision: head!.revision.number },
    }),
  });
  const { book, revision } = read.head!;
  return { key: book.key, title: book.title, revision: revision.number, rates: read.counts.rates };
}

async function publishStream(context: Context, upload: Upload, between: Between): Promise<BookRead> {
  const { books, actor, now } = context;
  let read: BookRead | undefined;
  await books.publish(actor.workspace, now(), async (sink) => {
    read = await readBook(timely(upload.source), sink, {
      between: ({ bytes, rates }) => between(bytes, rates),
    });
    if (read.faults.length > 0) throw refusal(read);
    await between(upload.bytesTotal ?? 0, read.counts.rates, true);
  });
  return read!;
}

function refusal({ faults, more }: BookRead): AppError {
  const count = faults.length + more;
  const message = `The price book has ${count} ${count === 1 ? 'fault' : 'faults'}. Nothing was imported.`;
  return invalid(message, faults, more);
}

/** A running import that was not heard of for so long was broken off with its process. */
const SILENT_MILLISECONDS = 60_000;

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
