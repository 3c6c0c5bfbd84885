/** Reports of stored designs: read, with the books they were priced from, for whoever writes them down. */
import { createHash } from 'node:crypto';
import { allComponents, type Design } from '@/engine/design';
import { keptBeside, keptLooksAt } from '@/features/saved-questions/calc';
import { buildReport, type BuiltReport, type ReportOptions } from '@/features/report/calc';
import { allow } from '@/platform/use/may';
import { openDesign } from '@/features/design/use/designs';
import { loadAlternatives, loadAxis } from '@/features/compare/use/compare-design';
import { GrowingBooks, loadBooks } from '@/features/price-books/use/load-books';
import type { BookStore, Context, StoredDesign } from '@/stores/ports';

export interface ReadReport extends BuiltReport {
  readonly stored: StoredDesign;
}

export async function readReport(context: Context, id: string, options: ReportOptions): Promise<ReadReport> {
  allow(context.actor, 'readReport');
  return reportOf(context, await openDesign(context, id), options);
}

/** Lines of all reports that are kept: whoever asks for the same again, in another form or line by line, waits for none. */
const MOST_LINES = 2500;
const kept = new WeakMap<BookStore, Map<string, BuiltReport>>();

export async function reportOf(
  context: Context,
  stored: StoredDesign,
  options: ReportOptions,
): Promise<ReadReport> {
  const { workspace } = context.actor;
  const { design } = stored;
  // Published prices are final: the design itself, the workspace and the options decide everything.
  const key = createHash('sha256')
    .update(JSON.stringify([workspace, options, design]))
    .digest('hex');
  const reports = kept.get(context.books) ?? new Map<string, BuiltReport>();
  kept.set(context.books, reports);
  const known = reports.get(key);
  if (known) return { ...known, stored };
  const books = await booksBeside(context.books, workspace, design, options);
  const made = buildReport(design, books, options);
  reports.set(key, made);
  forget(reports);
  return { ...made, stored };
}

/** What the design needs, and what is needed for whatever stands beside it. */
async function booksBeside(books: BookStore, workspace: string, design: Design, options: ReportOptions) {
  const { beside = [], variant } = options;
  const { kept = [] } = design.assumptions;
  if (variant === 'quotation' || beside.length + kept.length === 0) {
    return loadBooks(books, workspace, design);
  }
  const growing = new GrowingBooks(books, workspace);
  await growing.booksFor(design, keptLooksAt(kept, design));
  if (keptBeside(kept).length > 0) await loadAlternatives(design, growing);
  for (const each of beside) {
    if (each === 'alternatives') await loadAlternatives(design, growing);
    else await loadAxis(design, growing, each, { of: 'all' });
  }
  return growing;
}

/** The oldest go first; the newest stays, however long it is. */
function forget(reports: Map<string, BuiltReport>): void {
  const sizes = [...reports].map(([key, { plan }]) => ({
    key,
    lines: allComponents(plan.design).length + 1,
  }));
  let all = sizes.reduce((sum, { lines }) => sum + lines, 0);
  for (const { key, lines } of sizes.slice(0, -1)) {
    if (all <= MOST_LINES) return;
    reports.delete(key);
    all -= lines;
  }
}
