/** Making, listing, opening, copying, deleting and restoring designs. */
import { cut } from '@/engine/base';
import type { Design } from '@/engine/design';
import { DEFAULT_MONTH } from '@/engine/time';
import type { DesignSummary } from '@/engine/summary';
import { type Checked } from '@/platform/formats/faults';
import { designCsv } from '@/features/design/format/design-csv';
import { designSchema, readDesign, writeDesign } from '@/features/design/format/design';
import { allow } from '@/platform/use/may';
import { invalid, notFound } from '@/platform/use/app-error';
import type { BookStore, Context, DesignListing, StoredDesign } from '@/stores/ports';
import { priceDesignOnServer, totalsOf } from './price-design';

/** Of those whose totals are behind, how many are brought up to date at once. */
const MOST_BEHIND = 50;

/** The designs, the last changed first. Totals that are behind are asked for, and are there in a later list. */
export async function listDesigns(context: Context): Promise<DesignListing[]> {
  allow(context.actor, 'listDesigns');
  const { workspace } = context.actor;
  const listings = await context.designs.list(workspace);
  const behind = listings.filter((each) => !each.totals).slice(0, MOST_BEHIND);
  const asked = behind.map((each) => context.queue?.totalsSoon(workspace, each.id));
  await Promise.all(asked).catch(() => undefined);
  return listings;
}

/** Milliseconds that somebody waits for totals of lists; what takes longer is worked out after the answer. */
const PATIENCE = 400;

/** What has come in time, and for the rest what was there before. What fails is tried again by the next list. */
async function inTime<T>(work: readonly Promise<T>[], otherwise: readonly T[]): Promise<T[]> {
  const done = [...otherwise];
  const all = Promise.all(
    work.map((each, at) => each.then((value) => void (done[at] = value)).catch(() => undefined)),
  );
  let timer: NodeJS.Timeout | undefined;
  await Promise.race([all, new Promise((resolve) => (timer = setTimeout(resolve, PATIENCE)))]);
  clearTimeout(timer);
  return [...done];
}

export async function openDesign(context: Context, id: string): Promise<StoredDesign> {
  allow(context.actor, 'openDesign');
  const stored = await context.designs.find(context.actor.workspace, id);
  if (!stored) throw notFound('design');
  if (!stored.isOfOldCalculation) return stored;
  // Worked out anew before it is shown, so that what changed can be told.
  await inTime([refreshTotals(context, id)], [undefined]);
  return (await context.designs.find(context.actor.workspace, id)) ?? stored;
}

/** An empty design pinned to the newest revision of every book there is. */
export async function createDesign(context: Context, title: string): Promise<string> {
  const design: Design = {
    title,
    description: '',
    currency: 'USD',
    assumptions: { month: DEFAULT_MONTH, countAllowances: true, exchange: [] },
    books: await newestPins(context.books, context.actor.workspace),
    sections: [{ id: 'section-1', name: 'First section', components: [] }],
  };
  return storeDesign(context, design);
}

async function newestPins(books: BookStore, workspace: string): Promise<Design['books']> {
  const listed = await books.list(workspace);
  return listed.map((book) => ({ book: book.key, revision: book.revisions[0]!.number }));
}

/** Checks a whole design and stores it as a new one. */
export async function storeDesign(context: Context, design: Design): Promise<string> {
  allow(context.actor, 'storeDesign');
  const checked = designSchema.safeParse(design);
  if (!checked.success) {
    const first = checked.error.issues[0]!;
    throw invalid(`The design was not stored: ${first.path.join('.')} ${first.message}.`);
  }
  const id = context.newId();
  await context.designs.create(context.actor.workspace, id, checked.data as Design, context.now());
  // It is stored: whether its total is there already is no reason to refuse it.
  await inTime([refreshTotals(context, id)], [undefined]);
  return id;
}

/** Prices the design as it is stored and keeps the totals for lists. */
export async function refreshTotals(context: Context, id: string): Promise<void> {
  const stored = await context.designs.find(context.actor.workspace, id);
  if (!stored) return;
  const totals = totalsOf(await priceDesignOnServer(context, stored.design, 'later'));
  await context.designs.saveTotals(context.actor.workspace, id, stored.revision, totals);
}

/** A copy under a name that tells the two apart. */
export async function copyDesign(context: Context, id: string): Promise<string> {
  const { design } = await openDesign(context, id);
  const title = `${cut(design.title, 190)} (copy)`;
  return storeDesign(context, { ...design, title });
}

export async function deleteDesign(context: Context, id: string): Promise<void> {
  allow(context.actor, 'deleteDesign');
  if (!(await context.designs.remove(context.actor.workspace, id, context.now()))) throw notFound('design');
}

export async function restoreDesign(context: Context, id: string): Promise<void> {
  allow(context.actor, 'restoreDesign');
  if (!(await context.designs.restore(context.actor.workspace, id))) throw notFound('design');
}

/** Stores the design of a file; the whole file is refused if anything in it is wrong. */
export async function importDesign(context: Context, text: string): Promise<string> {
  allow(context.actor, 'importDesign');
  const read: Checked<Design> = readDesign(text);
  if (!read.ok)
    throw invalid('The file is not a design we can open. Nothing was changed.', read.faults, read.more);
  return storeDesign(context, read.value);
}

export type ExportForm = 'csv' | 'json';

export interface ExportedFile {
  readonly name: string;
  readonly type: string;
  readonly text: string;
}

/** A name for files made from a design's title. */
export function fileStem(title: string): string {
  const plain = title.replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-|-$/g, '');
  return cut(plain.toLowerCase(), 80) || 'design';
}

export async function exportDesign(context: Context, id: string, form: ExportForm): Promise<ExportedFile> {
  const { design } = await openDesign(context, id);
  const summary: DesignSummary = await priceDesignOnServer(context, design);
  const stem = fileStem(design.title);
  if (form === 'csv')
    return { name: `${stem}.csv`, type: 'text/csv; charset=utf-8', text: designCsv(design, summary) };
  return { name: `${stem}.json`, type: 'application/json', text: writeDesign(design, summary) };
}
