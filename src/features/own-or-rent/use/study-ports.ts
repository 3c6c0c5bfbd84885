/** What studies of owning against renting need from a store: the newest of each, and what each was before. */
import type { Study } from '@/features/own-or-rent/calc';

export interface StudyListing {
  readonly id: string;
  readonly title: string;
  readonly origin: string;
  readonly currency: string;
  readonly years: number;
  readonly parts: number;
  readonly variants: number;
  readonly updatedAt: string;
}

export interface StoredStudy {
  readonly id: string;
  readonly revision: number;
  readonly study: Study;
  readonly updatedAt: string;
}

/** What it was, revision by revision; the newest first. */
export interface StudyRevision {
  readonly revision: number;
  readonly at: string;
}

export interface StudyStore {
  /** The last changed first. */
  list(workspace: string): Promise<StudyListing[]>;
  find(workspace: string, id: string): Promise<StoredStudy | null>;
  /** False: there is one of this id already. */
  create(workspace: string, id: string, study: Study, at: Date): Promise<boolean>;
  /** Null: no such study. `stale`: somebody else saved meanwhile. */
  save(
    workspace: string,
    id: string,
    baseRevision: number,
    study: Study,
    at: Date,
  ): Promise<number | 'stale' | null>;
  /** Null: no such study. */
  history(workspace: string, id: string): Promise<StudyRevision[] | null>;
  at(workspace: string, id: string, revision: number): Promise<Study | null>;
  remove(workspace: string, id: string, at: Date): Promise<boolean>;
  restore(workspace: string, id: string): Promise<boolean>;
}

/** Revisions of a study that are kept. */
export const MOST_STUDY_REVISIONS = 300;
