/** What can be asked of a desk, in plain data. */
import type { CostBasis } from '@/features/bills/calc';
import type { Design } from '@/engine/design';
import type { StudyReport } from '@/features/own-or-rent/words';
import type { DesignSummary } from '@/engine/summary';
import type { Report, ReportOptions } from '@/features/report/calc';
import type { PlainFigure } from '@/engine/trace';
import type { Actor } from '@/platform/use/actor';
import type { BillForm } from '@/features/bills/use/bill-ports';
import type { JobProgress, JobWork, WrittenFile } from '@/platform/use/job-ports';
import type { ReviewForm, ReviewSummary } from '@/features/review/use/review-ports';

export interface ShownReport {
  readonly report: Report;
  readonly title: string;
  readonly revision: number;
}

export interface LinkedPage {
  readonly report: Report;
  readonly revision: number;
  readonly isPinned: boolean;
  /** Ids of the lines whose calculation the link shows. */
  readonly explained: readonly string[];
}

export interface LinkedStudyPage {
  readonly report: StudyReport;
  readonly revision: number;
  readonly isPinned: boolean;
}

interface OfDesign {
  readonly actor: Actor;
  readonly id: string;
  readonly options: ReportOptions;
}

/** What is asked of a file that is written as a job of the database. */
type Given<W extends JobWork['what']> = Extract<JobWork, { what: W }>['given'];

interface Job<Given, Answer> {
  readonly given: Given;
  readonly answer: Answer;
}

export interface Jobs {
  summary: Job<{ readonly workspace: string; readonly design: Design }, DesignSummary>;
  'review-summary': Job<{ readonly workspace: string; readonly review: string }, ReviewSummary | null>;
  'review-file': Job<{ readonly actor: Actor; readonly id: string; readonly form: ReviewForm }, WrittenFile>;
  'bill-file': Job<
    { readonly actor: Actor; readonly id: string; readonly form: BillForm; readonly basis: CostBasis },
    WrittenFile
  >;
  report: Job<OfDesign, ShownReport>;
  'report-file': Job<Given<'report-file'>, WrittenFile>;
  'comparison-file': Job<Given<'comparison-file'>, WrittenFile>;
  'fleet-file': Job<Given<'fleet-file'>, WrittenFile>;
  'study-file': Job<Given<'study-file'>, WrittenFile>;
  linked: Job<{ readonly token: string }, LinkedPage>;
  'linked-file': Job<Given<'linked-file'>, WrittenFile>;
  'linked-study': Job<{ readonly token: string }, LinkedStudyPage>;
  'linked-study-file': Job<Given<'linked-study-file'>, WrittenFile>;
  'linked-trace': Job<{ readonly token: string; readonly line: string }, PlainFigure>;
}

export type JobName = keyof Jobs;

/** Whose turn comes first where several wait: the team's, a stranger's, what nobody looks at yet. */
export const LANES = ['team', 'stranger', 'background'] as const;
export type Lane = (typeof LANES)[number];

export interface Asking {
  /** Nobody waits any more. */
  readonly signal?: AbortSignal;
  readonly lane?: Lane;
  /** Hears how far it is, where that is told. */
  readonly tell?: (progress: JobProgress) => void;
}

export interface Desk {
  ask<N extends JobName>(name: N, given: Jobs[N]['given'], asking?: Asking): Promise<Jobs[N]['answer']>;
}
