/** Bills brought in, listed, opened, linked to a design, closed and deleted. Needs P1, P2, P8. */
import { type BillRead, readBill } from '@/formats/focus';
import { invalid, notFound } from './app-error';
import { allow } from './may';
import type { BillListing, BillRowShown, Context, ImportedBill, StoredBill } from './ports';
import { timely } from './timely';
import { trackedImport, type Upload } from './tracked-import';

const MOST_ROWS_SHOWN = 500;
const LONGEST_NOTE = 4000;

/** The bills of a file, whole or not at all; each replaces the one of the same provider, account, period and currency. */
export async function importBill(
  context: Context,
  upload: Upload,
): Promise<{ readonly bills: readonly ImportedBill[]; readonly conformance: BillRead['conformance'] }> {
  allow(context.actor, 'importBill');
  const { bills, actor, now, newId } = context;
  return trackedImport(context, upload, {
    work: async (between) => {
      let read: BillRead | undefined;
      const file = { name: upload.fileName, at: now(), newId };
      const taken = await bills.take(actor.workspace, file, async (sink) => {
        read = await readBill(timely(upload.source), sink, {
          between: ({ bytes, rows }) => between(bytes, rows),
        });
        if (read.faults.length > 0) throw refusal(read);
        await between(upload.bytesTotal ?? 0, read.rows, true);
        return read;
      });
      return { bills: taken, conformance: read!.conformance };
    },
    outcome: (done) => ({ bills: done.bills }),
  });
}

function refusal({ faults, more }: BillRead) {
  const count = faults.length + more;
  const message = `The bill has ${count} ${count === 1 ? 'fault' : 'faults'}. Nothing was imported.`;
  return invalid(message, faults, more);
}

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

/** The rows of the file that some of its things are made of, in their order. */
export async function readBillRows(
  context: Context,
  id: string,
  of: { readonly things: readonly number[]; readonly after: number },
): Promise<BillRowShown[]> {
  allow(context.actor, 'readBillRows');
  await openBill(context, id);
  return context.bills.rows(context.actor.workspace, id, { ...of, limit: MOST_ROWS_SHOWN });
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
