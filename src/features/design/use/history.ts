/** What happened to a design: what others saved since, all revisions, and the design as it was at one of them. */
import { applyEdits, type Design } from '@/engine/design';
import { allow } from '@/platform/use/may';
import { invalid, notFound } from '@/platform/use/app-error';
import type { Context, HistoryRow, LockedDesign, LoggedBatch } from '@/stores/ports';

const SHOWN = 100;
/** Bytes of a batch that is listed edit by edit. */
const LISTED = 20_000;
/** What is answered batch by batch; beyond it the design as it is now says the same in less. */
const MOST_BATCHES = 200;
const MOST_BYTES = 500_000;
const MOST_NAMES = 5000;

export interface SavedSince {
  readonly revision: number;
  readonly batches: readonly Omit<LoggedBatch, 'inverse'>[];
  /** Where that would be too much: the design as it is, and the names of what was saved. */
  readonly whole?: { readonly design: Design; readonly saved: readonly string[] };
}

async function reading<T>(
  context: Context,
  id: string,
  read: (seen: LockedDesign) => Promise<T>,
): Promise<T> {
  allow(context.actor, 'readHistory');
  const result = await context.designs.read(context.actor.workspace, id, async (seen) => ({
    value: await read(seen),
  }));
  if (!result) throw notFound('design');
  return result.value;
}

/** Everything saved after a revision, oldest first. */
export function savedSince(context: Context, id: string, revision: number): Promise<SavedSince> {
  return reading(context, id, (locked) => sinceOf(locked, revision));
}

/** Bounded, however much was saved and however old the revision is. */
export async function sinceOf(locked: LockedDesign, revision: number): Promise<SavedSince> {
  const { current } = locked;
  const { batches, bytes } = await locked.weightSince(revision);
  if (batches <= MOST_BATCHES && bytes <= MOST_BYTES) {
    return { revision: current.revision, batches: (await locked.since(revision)).map(withoutInverse) };
  }
  const saved = await locked.namesSince(revision, MOST_NAMES);
  return { revision: current.revision, batches: [], whole: { design: current.design, saved } };
}

/** As it is sent: what takes a batch back stays here. */
export function withoutInverse({ inverse: _, ...batch }: LoggedBatch): Omit<LoggedBatch, 'inverse'> {
  return batch;
}

/** A page of revisions, newest first. */
export function designHistory(
  context: Context,
  id: string,
  before: number | null,
): Promise<readonly HistoryRow[]> {
  return reading(context, id, (locked) => locked.latest(before, SHOWN, LISTED));
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
