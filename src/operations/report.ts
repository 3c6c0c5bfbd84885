/** Reports of stored designs: read, with the books they were priced from, for whoever writes them down. */
import type { BookSet } from '@/core/pricing';
import { buildReport, type BuiltReport, type ReportOptions } from '@/core/report';
import { requireRole } from './actor';
import { openDesign } from './designs';
import { loadBooks } from './load-books';
import type { Context, StoredDesign } from './ports';

export interface ReadReport extends BuiltReport {
  readonly stored: StoredDesign;
  readonly books: BookSet;
}

export async function readReport(context: Context, id: string, options: ReportOptions): Promise<ReadReport> {
  requireRole(context.actor, 'viewer');
  return reportOf(context, await openDesign(context, id), options);
}

export async function reportOf(
  context: Context,
  stored: StoredDesign,
  options: ReportOptions,
): Promise<ReadReport> {
  const books = await loadBooks(context.books, context.actor.workspace, stored.design);
  return { ...buildReport(stored.design, books, options), stored, books };
}
