/** What happened to a design: what others saved since, all revisions, and the design as it was at one of them. */
import { applyEdits, type Design, type Edit } from '@/core/design';
import { requireRole } from './actor';
import { invalid, notFound } from './app-error';
import type { Context, LockedDesign, LoggedBatch } from './ports';

const SHOWN = 100;

export interface SavedSince {
  readonly revision: number;
  readonly batches: readonly Omit<LoggedBatch, 'inverse'>[];
}

async function reading<T>(
  context: Context,
  id: string,
  read: (locked: LockedDesign) => Promise<T>,
): Promise<T> {
  requireRole(context.actor, 'viewer');
  const result = await context.designs.change(context.actor.workspace, id, async (locked) => ({
    write: null,
    result: { value: await read(locked) },
  }));
  if (!result) throw notFound('design');
  return result.value;
}

/** Everything saved after a revision, oldest first. */
export function savedSince(context: Context, id: string, revision: number): Promise<SavedSince> {
  return reading(context, id, async (locked) => ({
    revision: locked.current.revision,
    batches: (await locked.since(revision)).map(withoutInverse),
  }));
}

/** As it is sent: what takes a batch back stays here. */
export function withoutInverse({ inverse: _, ...batch }: LoggedBatch): Omit<LoggedBatch, 'inverse'> {
  return batch;
}

export interface HistoryRow {
  readonly revision: number;
  readonly user: string;
  readonly at: string;
  readonly edits: readonly Edit[];
}

/** A page of revisions, newest first. */
export function designHistory(context: Context, id: string, before: number | null): Promise<HistoryRow[]> {
  return reading(context, id, async (locked) =>
    (await locked.latest(before, SHOWN)).map(({ revision, user, at, edits }) => ({
      revision,
      user,
      at,
      edits,
    })),
  );
}

/** The design as it was: what was done since is taken back, the newest first. Nothing is changed by this. */
export function designAt(context: Context, id: string, revision: number): Promise<Design> {
  return reading(context, id, async ({ current, since }) => {
    if (revision > current.revision) throw notFound('revision');
    const later = [...(await since(revision))].reverse();
    return later.reduce((design, { inverse }) => {
      const back = inverse && applyEdits(design, inverse);
      if (!back?.ok) throw invalid('This revision is from before earlier states were kept.');
      return back.value.design;
    }, current.design);
  });
}
