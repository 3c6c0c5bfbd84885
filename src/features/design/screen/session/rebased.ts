/** Pending edits put on top of what others saved; where both changed the same thing, it is asked about. */
import { applyEdits, type Design, type Edit, editsBetween, editTarget } from '@/engine/design';
import type { Conflict, PendingBatch, RemoteBatch, Since } from './session-types';

interface Held {
  readonly base: Design;
  readonly revision: number;
  readonly pending: readonly PendingBatch[];
}

interface Rebased {
  readonly base: Design;
  readonly pending: PendingBatch[];
  readonly conflicts: Conflict[];
}

export function rebased(held: Held, since: Since, newId: () => string): Rebased {
  const { base: fresh, batches, saved } = broughtForward(held, since);
  const own = new Set(held.pending.map((each) => each.batch));
  const conflicts: Conflict[] = [];
  let base = fresh;
  const pending = held.pending.flatMap((batch) => {
    if (saved.has(batch.batch)) return [];
    const remote = new Map<string, Edit>();
    for (const each of batches) {
      if (own.has(each.batch) || each.revision <= batch.from) continue;
      for (const edit of each.edits) remote.set(editTarget(edit), edit);
    }
    const edits: Edit[] = [];
    for (const edit of batch.edits) {
      const theirs = remote.get(editTarget(edit));
      const applied = applyEdits(base, [edit]);
      if (theirs && !sameOutcome(theirs, edit)) conflicts.push({ id: newId(), mine: edit, theirs });
      else if (!applied.ok) conflicts.push({ id: newId(), mine: edit, theirs: null });
      else {
        base = applied.value.design;
        edits.push(edit);
      }
    }
    return edits.length > 0 ? [{ ...batch, edits, from: since.revision }] : [];
  });
  return { base: fresh, pending, conflicts };
}

/** The base as others left it. */
function broughtForward(
  { base, revision }: Held,
  { batches, whole, revision: newest }: Since,
): { base: Design; batches: readonly RemoteBatch[]; saved: ReadonlySet<string> } {
  if (whole) {
    const edits = editsBetween(base, whole.design);
    const all = { batch: '', edits, revision: newest, user: '' };
    return { base: whole.design, batches: [all], saved: new Set(whole.saved) };
  }
  const later = batches.filter((each) => each.revision > revision);
  const now = later.reduce((design, { edits }) => {
    const applied = applyEdits(design, edits);
    return applied.ok ? applied.value.design : design;
  }, base);
  return { base: now, batches, saved: new Set(batches.map((each) => each.batch)) };
}

function sameOutcome(a: Edit, b: Edit): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}
