/** The in-memory twin of the store of studies. */
import type { Study } from '@/features/own-or-rent/calc';
import {
  MOST_STUDY_REVISIONS,
  type StoredStudy,
  type StudyStore,
} from '@/features/own-or-rent/use/study-ports';

interface Kept {
  readonly workspace: string;
  stored: StoredStudy;
  before: { readonly revision: number; readonly at: string; readonly study: Study }[];
  deleted: boolean;
}

export function memoryStudyStore(): StudyStore {
  const studies: Kept[] = [];
  const live = (workspace: string, id: string): Kept | undefined =>
    studies.find((each) => each.workspace === workspace && each.stored.id === id && !each.deleted);
  return {
    list: async (workspace) =>
      studies
        .filter((each) => each.workspace === workspace && !each.deleted)
        .map(({ stored: { id, study, updatedAt } }) => ({
          id,
          title: study.title,
          origin: study.origin,
          currency: study.currency,
          years: study.years,
          parts: study.parts.length,
          variants: study.variants.length,
          updatedAt,
        }))
        .sort((a, b) => (a.updatedAt < b.updatedAt ? 1 : -1)),
    find: async (workspace, id) => live(workspace, id)?.stored ?? null,
    create: async (workspace, id, study, at) => {
      if (studies.some((each) => each.stored.id === id)) return false;
      const updatedAt = at.toISOString();
      const before = [{ revision: 0, at: updatedAt, study }];
      studies.push({ workspace, stored: { id, revision: 0, study, updatedAt }, before, deleted: false });
      return true;
    },
    save: async (workspace, id, baseRevision, study, at) => {
      const found = live(workspace, id);
      if (!found) return null;
      if (found.stored.revision !== baseRevision) return 'stale';
      const revision = baseRevision + 1;
      const updatedAt = at.toISOString();
      found.stored = { id, study, revision, updatedAt };
      found.before = [{ revision, at: updatedAt, study }, ...found.before].slice(0, MOST_STUDY_REVISIONS);
      return revision;
    },
    history: async (workspace, id) =>
      live(workspace, id)?.before.map(({ revision, at }) => ({ revision, at })) ?? null,
    at: async (workspace, id, revision) =>
      live(workspace, id)?.before.find((each) => each.revision === revision)?.study ?? null,
    remove: async (workspace, id) => {
      const found = live(workspace, id);
      if (found) found.deleted = true;
      return found !== undefined;
    },
    restore: async (workspace, id) => {
      const found = studies.find(
        (each) => each.workspace === workspace && each.stored.id === id && each.deleted,
      );
      if (found) found.deleted = false;
      return found !== undefined;
    },
  };
}
