/** Bills brought in; what is watched of them is looked at anew. Needs P1, P4. */
import { type BillRead, readBill } from '@/features/bills/format/focus';
import { invalid } from '@/platform/use/app-error';
import { allow } from '@/platform/use/may';
import type { Context, ImportedBill } from '@/stores/ports';
import { timely } from '@/platform/use/timely';
import { trackedImport, type Upload } from '@/platform/use/tracked-import';
import { evaluateWatches } from '@/features/alerts/use/watches';

/** The bills of a file, whole or not at all; each replaces the one of the same provider, account, period and currency. */
export async function importBill(
  context: Context,
  upload: Upload,
): Promise<{ readonly bills: readonly ImportedBill[]; readonly conformance: BillRead['conformance'] }> {
  allow(context.actor, 'importBill');
  const { bills, actor, now, newId } = context;
  const imported = await trackedImport(context, upload, {
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
  await lookAtWatches(context);
  return imported;
}

/** The bills are in: a watch that cannot be looked at now is looked at again within the day, and undoes no import. */
async function lookAtWatches(context: Context): Promise<void> {
  try {
    if (context.queue) await context.queue.watchSoon(context.actor.workspace);
    else await evaluateWatches(context);
  } catch {
    return;
  }
}

function refusal({ faults, more }: BillRead) {
  const count = faults.length + more;
  const message = `The bill has ${count} ${count === 1 ? 'fault' : 'faults'}. Nothing was imported.`;
  return invalid(message, faults, more);
}
