/** A stored design beside its alternatives, or along an axis, as a table that leaves the house. */
import { createAlternator } from '@/features/compare/calc/alternatives';
import { type Axis, axisLooksAt, axisOf } from '@/features/compare/calc/axes';
import { compareDesign, type GroupBy } from '@/features/compare/calc/comparison';
import { type Design, linesIn, type Scope } from '@/engine/design';
import { axisTable, comparisonTable } from '@/features/compare/words';
import { type FlatTable } from '@/platform/tables';
import { type PlaceNames } from '@/features/design/words';
import { createPricer } from '@/engine/pricing';
import { appliedWhereLoaded } from '@/features/design/format/loaded-alternatives';
import { openDesign } from '@/features/design/use/designs';
import type { ComparisonAsked } from '@/platform/use/job-ports';
import { GrowingBooks } from '@/features/price-books/use/load-books';
import { allow } from '@/platform/use/may';
import type { Context } from '@/stores/ports';

export interface ReadComparison {
  readonly table: FlatTable;
  /** The same as data: a comparison or an axis. */
  readonly data: unknown;
}

/** With the books of the actor's workspace: the same core and so the same amounts as on screen. */
export async function readComparison(
  context: Context,
  id: string,
  asked: ComparisonAsked,
): Promise<ReadComparison> {
  allow(context.actor, 'readComparison');
  const { design } = await openDesign(context, id);
  const books = new GrowingBooks(context.books, context.actor.workspace);
  return 'axis' in asked
    ? alongAxis(design, books, asked.axis, asked.what)
    : sideBySide(design, books, asked.by);
}

async function sideBySide(design: Design, books: GrowingBooks, by: GroupBy): Promise<ReadComparison> {
  await loadAlternatives(design, books);
  const data = compareDesign(design, books, by);
  return { table: comparisonTable(data, design, namesOf(books)), data };
}

/** Brings what the alternatives of a design lead to. */
export async function loadAlternatives(design: Design, books: GrowingBooks): Promise<void> {
  await appliedWhereLoaded(design, design.alternatives ?? [], createAlternator(books), books);
}

/** Brings what an axis looks at. */
export async function loadAxis(design: Design, books: GrowingBooks, axis: Axis, what: Scope): Promise<void> {
  await Promise.all([books.booksFor(design), books.catalogues(design.books)]);
  const pinned = design.books.flatMap(({ book, revision }) => books.get(book, revision) ?? []);
  await books.booksFor(design, axisLooksAt(axis, linesIn(design, what), pinned));
}

async function alongAxis(
  design: Design,
  books: GrowingBooks,
  axis: Axis,
  what: Scope,
): Promise<ReadComparison> {
  await loadAxis(design, books, axis, what);
  const data = axisOf(axis, createPricer(books).plan(design), what);
  return { table: axisTable(data, design, subjectOf(design, what)), data };
}

function subjectOf(design: Design, what: Scope): string {
  if (what.of === 'all') return 'the design';
  if (what.of === 'section') {
    return `section “${design.sections.find(({ id }) => id === what.id)?.name ?? 'that is gone'}”`;
  }
  const lines = linesIn(design, what);
  return lines.length === 1 ? `“${lines[0]!.name}”` : `${lines.length} lines`;
}

function namesOf(books: GrowingBooks): PlaceNames {
  const newest = (key: string) => books.named(key);
  return {
    book: (key) => newest(key)?.title ?? key,
    region: (book, code) => newest(book)?.region(code)?.name ?? code,
  };
}
