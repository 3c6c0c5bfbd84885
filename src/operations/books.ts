/** Listing, importing and reading price books. */
import { type PriceBookFile, readPriceBook } from '@/formats';
import { requireRole } from './actor';
import { AppError, invalid, notFound } from './app-error';
import type { BookCatalogue, BookListing, Context, FoundOffer } from './ports';
import type { RateRow } from '@/formats';

export async function listBooks(context: Context): Promise<BookListing[]> {
  requireRole(context.actor, 'viewer');
  return context.books.list(context.actor.workspace);
}

export interface ImportedBook {
  readonly key: string;
  readonly title: string;
  readonly revision: number;
  readonly rates: number;
}

/** Publishes the price book of a file whole, or refuses it with its faults and changes nothing. */
export async function importBook(context: Context, text: string): Promise<ImportedBook> {
  requireRole(context.actor, 'editor');
  const read = readPriceBook(text);
  if (!read.ok) {
    const count = read.faults.length + read.more;
    throw invalid(
      `The price book has ${count} ${count === 1 ? 'fault' : 'faults'}. Nothing was imported.`,
      read.faults,
      read.more,
    );
  }
  return publishBook(context, read.value);
}

export async function publishBook(context: Context, file: PriceBookFile): Promise<ImportedBook> {
  const published = await context.books.publish(context.actor.workspace, file, context.now());
  if (!published) {
    const message = `Revision ${file.revision.number} of “${file.book.title}” is here already, and a published revision never changes. Give the file a higher revision number.`;
    throw new AppError('conflict', message, {
      faults: [{ path: 'revision.number', message: 'exists already' }],
    });
  }
  return {
    key: file.book.key,
    title: file.book.title,
    revision: file.revision.number,
    rates: file.rates.length,
  };
}

export async function readCatalogue(
  context: Context,
  book: string,
  revision: number,
): Promise<BookCatalogue> {
  requireRole(context.actor, 'viewer');
  const catalogue = await context.books.catalogue(context.actor.workspace, book, revision);
  if (!catalogue) throw notFound('price book');
  return catalogue;
}

export async function readRates(
  context: Context,
  book: string,
  revision: number,
  region: string,
): Promise<readonly RateRow[]> {
  requireRole(context.actor, 'viewer');
  const rates = await context.books.rates(context.actor.workspace, book, revision, region);
  if (!rates) throw notFound('price book');
  return rates;
}

/** Offers by words over all books, newest revisions; for the find field. Fewer than two letters find nothing. */
export async function findOffers(context: Context, text: string): Promise<FoundOffer[]> {
  requireRole(context.actor, 'viewer');
  const words = text.trim().slice(0, 100).split(/\s+/).filter(Boolean).slice(0, 6);
  if (words.join('').length < 2) return [];
  return context.books.findOffers(context.actor.workspace, words, 20);
}
