/** Studies of owning against renting: made, listed, opened, saved, taken back to an earlier state, deleted and restored. */
import type { Study } from '@/features/own-or-rent/calc';
import { readSentStudy } from '@/features/own-or-rent/format/study-schema';
import { AppError, invalid, notFound } from '@/platform/use/app-error';
import { allow } from '@/platform/use/may';
import type { Context } from '@/stores/ports';
import type { StoredStudy, StudyListing, StudyRevision } from './study-ports';

export function listStudies(context: Context): Promise<StudyListing[]> {
  allow(context.actor, 'listStudies');
  return context.studies.list(context.actor.workspace);
}

export async function openStudy(context: Context, id: string): Promise<StoredStudy> {
  allow(context.actor, 'openStudy');
  const found = await context.studies.find(context.actor.workspace, id);
  if (!found) throw notFound('study');
  return found;
}

function checked(data: unknown): Study {
  const read = readSentStudy(data);
  if (!read.ok) throw invalid(`This cannot be saved: ${read.message}`);
  return read.value;
}

export async function storeStudy(context: Context, data: unknown): Promise<string> {
  allow(context.actor, 'storeStudy');
  const study = checked(data);
  const id = context.newId();
  await context.studies.create(context.actor.workspace, id, study, context.now());
  return id;
}

/** The revision that it is saved as. */
export async function saveStudy(
  context: Context,
  id: string,
  { baseRevision, study }: { readonly baseRevision: number; readonly study: unknown },
): Promise<number> {
  allow(context.actor, 'saveStudy');
  const { workspace } = context.actor;
  const saved = await context.studies.save(workspace, id, baseRevision, checked(study), context.now());
  if (saved === null) throw notFound('study');
  if (saved === 'stale')
    throw new AppError(
      'conflict',
      'Somebody else changed this study meanwhile. Load it again to see what changed.',
    );
  return saved;
}

export async function readStudyHistory(context: Context, id: string): Promise<StudyRevision[]> {
  allow(context.actor, 'readStudyHistory');
  const found = await context.studies.history(context.actor.workspace, id);
  if (!found) throw notFound('study');
  return found;
}

export async function openStudyAt(context: Context, id: string, revision: number): Promise<Study> {
  allow(context.actor, 'openStudyAt');
  const found = await context.studies.at(context.actor.workspace, id, revision);
  if (!found) throw notFound('revision of the study');
  return found;
}

export async function deleteStudy(context: Context, id: string): Promise<void> {
  allow(context.actor, 'deleteStudy');
  if (!(await context.studies.remove(context.actor.workspace, id, context.now()))) throw notFound('study');
}

export async function restoreStudy(context: Context, id: string): Promise<void> {
  allow(context.actor, 'restoreStudy');
  if (!(await context.studies.restore(context.actor.workspace, id))) throw notFound('deleted study');
}
