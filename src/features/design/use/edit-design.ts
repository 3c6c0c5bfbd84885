/**
 * Saving edits. A batch says which revision it was based on: based on the newest, it becomes the next revision;
 * based on an older one, it is refused with what was saved since, and the sender re-bases. A batch that was already
 * saved is answered as saved, so that sending twice does no harm.
 */
import { applyEdits } from '@/engine/design';
import { sentenceFor } from '@/platform/words';
import { check } from '@/platform/formats/faults';
import { editBatchSchema } from '@/features/design/format/edit';
import { editsToday } from '@/features/design/format/earlier-names';
import { faultsOfChange } from '@/features/design/format/design';
import { allow } from '@/platform/use/may';
import { AppError, invalid, notFound } from '@/platform/use/app-error';
import { type SavedSince, sinceOf } from './history';
import type { Context } from '@/stores/ports';

export interface Saved {
  readonly revision: number;
  readonly savedAt: string;
}

type Outcome = { readonly saved: Saved } | { readonly since: SavedSince };

export async function editDesign(context: Context, id: string, data: unknown): Promise<Saved> {
  allow(context.actor, 'editDesign');
  const batch = check(editBatchSchema, editsToday(data));
  if (!batch.ok) throw invalid('The edit was refused; nothing was changed.', batch.faults, batch.more);
  const { baseRevision, batch: batchId, edits } = batch.value;
  const outcome = await context.designs.change<Outcome>(context.actor.workspace, id, async (locked) => {
    const earlier = await locked.batch(batchId);
    if (earlier)
      return { write: null, result: { saved: { revision: earlier.revision, savedAt: earlier.at } } };
    const { current } = locked;
    if (baseRevision !== current.revision)
      return { write: null, result: { since: await sinceOf(locked, baseRevision) } };
    const applied = applyEdits(current.design, edits);
    if (!applied.ok)
      throw invalid(`The edit was refused: ${sentenceFor(applied.issue)} Nothing was changed.`);
    const faults = faultsOfChange(current.design, applied.value.design);
    if (faults.length > 0) throw invalid('The edit was refused; nothing was changed.', faults);
    const at = context.now();
    return {
      write: {
        design: applied.value.design,
        batch: batchId,
        edits,
        inverse: applied.value.inverse,
        user: context.actor.user,
        at,
      },
      result: { saved: { revision: current.revision + 1, savedAt: at.toISOString() } },
    };
  });
  if (!outcome) throw notFound('design');
  if ('since' in outcome) {
    throw new AppError('stale', 'The design was changed meanwhile.', { since: outcome.since });
  }
  return outcome.saved;
}
