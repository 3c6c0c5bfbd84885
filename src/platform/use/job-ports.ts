/** What long work needs from the outside: rows that every process sees, and a queue that wakes whoever works them off. */
import type { Axis } from '@/features/compare/calc/axes';
import type { GroupBy } from '@/features/compare/calc/comparison';
import type { Scope } from '@/engine/design';
import type { ReportForm, ReportOptions } from '@/features/report/calc';
import type { Actor } from './actor';
import type { AppErrorCode } from './app-error';

export interface WrittenFile {
  readonly type: string;
  readonly name: string;
  readonly bytes: Uint8Array<ArrayBuffer>;
}

/** Side by side, grouped so; or one axis for part of a design. */
export type ComparisonAsked = { readonly by: GroupBy } | { readonly axis: Axis; readonly what: Scope };

/** The forms in which a comparison leaves the house. */
export const TABLE_FORMS = ['xlsx', 'csv', 'md', 'json'] as const;
export type TableForm = (typeof TABLE_FORMS)[number];
export const FLEET_FORMS = [...TABLE_FORMS, 'pdf'] as const;
export type FleetForm = (typeof FLEET_FORMS)[number];
export const STUDY_FORMS = ['xlsx', 'pdf', 'md', 'json'] as const;
export type StudyForm = (typeof STUDY_FORMS)[number];

/** What is to be done, in plain data: it may be done by another process, after this one has ended. */
export type JobWork =
  | {
      readonly what: 'report-file';
      readonly given: {
        readonly actor: Actor;
        readonly id: string;
        readonly options: ReportOptions;
        readonly form: ReportForm;
      };
    }
  | {
      readonly what: 'comparison-file';
      readonly given: {
        readonly actor: Actor;
        readonly id: string;
        readonly asked: ComparisonAsked;
        readonly form: TableForm;
      };
    }
  | {
      readonly what: 'fleet-file';
      readonly given: { readonly actor: Actor; readonly id: string; readonly form: FleetForm };
    }
  | {
      readonly what: 'study-file';
      readonly given: { readonly actor: Actor; readonly id: string; readonly form: StudyForm };
    }
  | {
      readonly what: 'linked-file';
      /** The hash alone: the key of a link is kept nowhere. */
      readonly given: { readonly tokenHash: string; readonly form: ReportForm };
    }
  | {
      readonly what: 'linked-study-file';
      readonly given: { readonly tokenHash: string; readonly form: StudyForm };
    };

export const JOB_STATES = ['waiting', 'running', 'done', 'refused', 'cancelled'] as const;
export type JobState = (typeof JOB_STATES)[number];

/** Whose turn comes first. */
export type JobLane = 'team' | 'stranger';

export interface JobProgress {
  /** Steps behind it. */
  readonly done: number;
  readonly steps: number;
  /** What is being done now. */
  readonly words: string;
}

export interface WantedJob {
  readonly id: string;
  readonly workspace: string;
  readonly lane: JobLane;
  /** Equal keys are the same work with the same result. */
  readonly key: string;
  readonly work: JobWork;
  readonly askedBy: string;
}

export interface JobRow extends JobProgress {
  readonly id: string;
  readonly state: JobState;
  readonly askedBy: string;
  /** Why there is no result. */
  readonly refusal: { readonly code: AppErrorCode; readonly message: string } | null;
}

export interface TakenJob {
  readonly id: string;
  readonly work: JobWork;
  /** How often it was begun, this time included. */
  readonly tries: number;
}

export type JobEnd =
  | { readonly state: 'done'; readonly file: WrittenFile }
  | { readonly state: 'refused'; readonly code: AppErrorCode; readonly message: string }
  | { readonly state: 'cancelled' };

export interface JobStore {
  /** Joins one of the same key that waits, runs or is done. Null: `most` of its lane wait already. */
  ask(wanted: WantedJob, most: number): Promise<{ readonly job: JobRow; readonly isNew: boolean } | null>;
  find(workspace: string, id: string): Promise<JobRow | null>;
  file(workspace: string, id: string): Promise<WrittenFile | null>;
  /** False: no such job, or it has ended. One that runs is ended by whoever works on it. */
  cancel(workspace: string, id: string): Promise<boolean>;
  /** Null: it does not wait any more. */
  take(id: string): Promise<TakenJob | null>;
  /** Still at it. True: somebody wants it to end, or somebody else took it over. */
  beat(taken: TakenJob, progress: JobProgress | null): Promise<boolean>;
  /** Nothing where somebody else took it over. */
  end(taken: TakenJob, end: JobEnd): Promise<void>;
  /** Back in line after a failure. */
  again(taken: TakenJob): Promise<void>;
  /**
   * What nobody has been heard working on for so many seconds waits again, or is refused after so many tries. Answers
   * with all that have waited for so long that the queue may have lost them.
   */
  recover(silentSeconds: number, mostTries: number): Promise<readonly { id: string; lane: JobLane }[]>;
  /** Drops what is older, and of what is done all but the newest `keep`. */
  forget(hours: number, keep: number): Promise<void>;
}

export interface JobQueue {
  /** Wakes whoever works jobs off, here or in another process. */
  put(id: string, lane: JobLane): Promise<void>;
  /** Totals of a design, soon, and once however often it is said meanwhile. */
  totalsSoon(workspace: string, design: string): Promise<void>;
  /** What lists show of a change review. */
  reviewSoon(workspace: string, review: string): Promise<void>;
  /** Watches of a workspace are looked at, and what is due is sent. */
  watchSoon(workspace: string): Promise<void>;
}
