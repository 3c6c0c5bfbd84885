/** What can be asked of a desk, in plain data. */
import type { Design } from '@/core/design';
import type { DesignSummary } from '@/core/range';
import type { Report, ReportOptions } from '@/core/report';
import type { PlainFigure } from '@/core/trace';
import type { HandoverForm } from '@/handover/forms';
import type { Actor } from '@/operations';

export interface ShownReport {
  readonly report: Report;
  readonly title: string;
  readonly revision: number;
  /** Whether the design has agreements at all. */
  readonly isNegotiated: boolean;
}

export interface LinkedPage {
  readonly report: Report;
  readonly revision: number;
  readonly isPinned: boolean;
  /** Ids of the lines whose calculation the link shows. */
  readonly explained: readonly string[];
}

export interface WrittenFile {
  readonly type: string;
  readonly name: string;
  readonly bytes: Uint8Array<ArrayBuffer>;
}

interface OfDesign {
  readonly actor: Actor;
  readonly id: string;
  readonly options: ReportOptions;
}

interface Job<Given, Answer> {
  readonly given: Given;
  readonly answer: Answer;
}

export interface Jobs {
  summary: Job<{ readonly workspace: string; readonly design: Design }, DesignSummary>;
  report: Job<OfDesign, ShownReport>;
  'report-file': Job<OfDesign & { readonly form: HandoverForm }, WrittenFile>;
  linked: Job<{ readonly token: string }, LinkedPage>;
  'linked-file': Job<{ readonly token: string; readonly form: HandoverForm }, WrittenFile>;
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
}

export interface Desk {
  ask<N extends JobName>(name: N, given: Jobs[N]['given'], asking?: Asking): Promise<Jobs[N]['answer']>;
}
