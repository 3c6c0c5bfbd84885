/** Bills listed, opened, linked to a design, closed and deleted. Needs P1, P2, P8. */
import { invalid, notFound } from '@/platform/use/app-error';
import { allow } from '@/platform/use/may';
import type { BillListing, BillRowShown, Context, StoredBill } from '@/stores/ports';

const MOST_ROWS_SHOWN = 500;
const LONGEST_NOTE = 4000;

export function listBills(context: Context): Promise<BillListing[]> {
  allow(context.actor, 'listBills');
  return context.bills.list(context.actor.workspace);
}

export async function openBill(context: Context, id: string): Promise<StoredBill> {
  allow(context.actor, 'openBill');
  const found = await context.bills.find(context.actor.workspace, id);
  if (!found) throw notFound('bill');
  return found;
}

export interface BillRows {
  readonly rows: readonly BillRowShown[];
  readonly hasMore: boolean;
}

/** The rows of the file that some of its things are made of, in their order, so many at a time. */
export async function readBillRows(
  context: Context,
  id: string,
  of: { readonly things: readonly number[]; readonly after: number },
): Promise<BillRows> {
  allow(context.actor, 'readBillRows');
  await openBill(context, id);
  const limit = MOST_ROWS_SHOWN + 1;
  const rows = await context.bills.rows(context.actor.workspace, id, { ...of, limit });
  return { rows: rows.slice(0, MOST_ROWS_SHOWN), hasMore: rows.length === limit };
}

export async function deleteBill(context: Context, id: string): Promise<void> {
  allow(context.actor, 'deleteBill');
  const bill = await openBill(context, id);
  if (bill.closing) throw invalid('This period is closed. Open it again before its bill is deleted.');
  if (!(await context.bills.remove(context.actor.workspace, id))) throw notFound('bill');
}

/** All bills of its provider and account are held against the design; null: against none. */
export async function linkBillDesign(context: Context, id: string, design: string | null): Promise<void> {
  allow(context.actor, 'linkBillDesign');
  const { workspace } = context.actor;
  const bill = await openBill(context, id);
  if (design !== null && !(await context.designs.find(workspace, design))) throw notFound('design');
  await context.bills.linkDesign(workspace, bill, design);
}

/** Frozen: it cannot be brought in anew or deleted until it is opened again. */
export async function closePeriod(context: Context, id: string, note: string): Promise<void> {
  allow(context.actor, 'closePeriod');
  const { workspace, user } = context.actor;
  if (note.length > LONGEST_NOTE) throw invalid(`A note has at most ${LONGEST_NOTE} characters.`);
  const closing = { at: context.now().toISOString(), by: user, note };
  if (!(await context.bills.close(workspace, id, closing))) throw notFound('bill');
}

export async function reopenPeriod(context: Context, id: string): Promise<void> {
  allow(context.actor, 'reopenPeriod');
  if (!(await context.bills.close(context.actor.workspace, id, null))) throw notFound('bill');
}

const LONGEST_LINE_NOTE = 1000;

/** What explains the difference of a line; an empty text takes it away. A closed period keeps what it has. */
export async function noteBillLine(context: Context, id: string, line: string, text: string): Promise<void> {
  allow(context.actor, 'noteBillLine');
  if (text.length > LONGEST_LINE_NOTE || line.length > 500)
    throw invalid(`A note has at most ${LONGEST_LINE_NOTE} characters.`);
  const bill = await openBill(context, id);
  if (bill.closing) throw invalid('This period is closed. Open it again before its notes are changed.');
  await context.bills.note(context.actor.workspace, id, line, text.trim());
}
