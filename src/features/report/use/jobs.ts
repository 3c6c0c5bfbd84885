/** Files that take longer than a request may: asked for, followed, called off, fetched. Source: architecture, "Data". */
import { createHash } from 'node:crypto';
import { CALCULATION } from '@/engine/pricing';
import type { ReportForm, ReportOptions } from '@/features/report/calc';
import { AppError, notFound } from '@/platform/use/app-error';
import { openDesign } from '@/features/design/use/designs';
import { openFleet } from '@/features/fleet/use/fleets';
import type {
  ComparisonAsked,
  FleetForm,
  JobLane,
  JobRow,
  JobWork,
  StudyForm,
  TableForm,
  WrittenFile,
} from '@/platform/use/job-ports';
import { closed, openByToken } from './link-terms';
import { allow } from '@/platform/use/may';
import { openStudy } from '@/features/own-or-rent/use/studies';
import type { Context, DesignLink, LinkTerms, StudyLink } from '@/stores/ports';

/** How many may wait: more than that is refused, so that nobody waits for what nobody reads. */
const MOST_WAITING: Readonly<Record<JobLane, number>> = { team: 40, stranger: 6 };

export interface WantedReport {
  readonly form: ReportForm;
  readonly options: ReportOptions;
}

type Outside = Omit<Context, 'actor'>;

/** The same report of the same revision in the same form is written once a day, whoever asks for it. */
export async function askReportFile(
  context: Context,
  id: string,
  { form, options }: WantedReport,
): Promise<JobRow> {
  allow(context.actor, 'readReport');
  const { actor } = context;
  const { revision } = await openDesign(context, id);
  const key = keyOf(context, [id, revision, options, form]);
  const work: JobWork = { what: 'report-file', given: { actor, id, options, form } };
  return ask(context, { workspace: actor.workspace, lane: 'team', key, work, askedBy: actor.user });
}

export async function askComparisonFile(
  context: Context,
  id: string,
  asked: ComparisonAsked,
  form: TableForm,
): Promise<JobRow> {
  allow(context.actor, 'readComparison');
  const { actor } = context;
  const { revision } = await openDesign(context, id);
  const key = keyOf(context, [id, revision, asked, form]);
  const work: JobWork = { what: 'comparison-file', given: { actor, id, asked, form } };
  return ask(context, { workspace: actor.workspace, lane: 'team', key, work, askedBy: actor.user });
}

export async function askFleetFile(context: Context, id: string, form: FleetForm): Promise<JobRow> {
  allow(context.actor, 'readPlacedFleet');
  const { actor } = context;
  const { revision } = await openFleet(context, id);
  const key = keyOf(context, [id, revision, form]);
  const work: JobWork = { what: 'fleet-file', given: { actor, id, form } };
  return ask(context, { workspace: actor.workspace, lane: 'team', key, work, askedBy: actor.user });
}

export async function askStudyFile(context: Context, id: string, form: StudyForm): Promise<JobRow> {
  allow(context.actor, 'readStudyReport');
  const { actor } = context;
  const { revision } = await openStudy(context, id);
  const key = keyOf(context, [id, revision, form]);
  const work: JobWork = { what: 'study-file', given: { actor, id, form } };
  return ask(context, { workspace: actor.workspace, lane: 'team', key, work, askedBy: actor.user });
}

/** Which thing a key opens. */
export type AnyLink =
  { readonly of: 'design'; readonly link: DesignLink } | { readonly of: 'study'; readonly link: StudyLink };

/** Whoever has no open link is turned away before anything is worked out for them. */
export async function requireLink(outside: Outside, token: string): Promise<AnyLink> {
  const now = outside.now();
  const design = await openByToken(outside.links, token, now);
  if (design) return { of: 'design', link: design };
  const study = await openByToken(outside.studyLinks, token, now);
  if (study) return { of: 'study', link: study };
  throw closed();
}

export async function askLinkedFile(outside: Outside, token: string, form: ReportForm): Promise<JobRow> {
  const any = await requireLink(outside, token);
  const { link } = any;
  const stored =
    any.of === 'design'
      ? await outside.designs.find(link.workspace, any.link.design)
      : await outside.studies.find(link.workspace, any.link.study);
  const key = keyOf(outside, [link.id, link.pinned?.revision ?? stored?.revision, form]);
  const given = { tokenHash: link.tokenHash, form };
  const work: JobWork =
    any.of === 'design' ? { what: 'linked-file', given } : { what: 'linked-study-file', given };
  return ask(outside, { workspace: link.workspace, lane: 'stranger', key, work, askedBy: byLink(link) });
}

const byLink = (link: LinkTerms): string => `link ${link.id}`;

/** A day is written in every file. */
function keyOf({ now }: Outside, parts: readonly unknown[]): string {
  const day = now().toISOString().slice(0, 10);
  return createHash('sha256')
    .update(JSON.stringify([CALCULATION, day, ...parts]))
    .digest('hex');
}

async function ask(
  context: Outside,
  wanted: Omit<Parameters<Outside['jobs']['ask']>[0], 'id'>,
): Promise<JobRow> {
  const asked = await context.jobs.ask({ ...wanted, id: context.newId() }, MOST_WAITING[wanted.lane]);
  if (!asked) throw new AppError('busy', 'Many are being worked on already. Try again in a moment.');
  const { job, isNew } = asked;
  // Where waking fails, whoever looks for what waits finds it.
  if (isNew) await context.queue?.put(job.id, wanted.lane).catch(() => undefined);
  return job;
}

export async function jobProgress(context: Context, id: string): Promise<JobRow> {
  allow(context.actor, 'jobProgress');
  return found(await context.jobs.find(context.actor.workspace, id));
}

/** Of the file that a link's reader asked for; nothing else of the workspace. */
export async function linkedProgress(outside: Outside, token: string, id: string): Promise<JobRow> {
  const { link } = await requireLink(outside, token);
  const job = found(await outside.jobs.find(link.workspace, id));
  if (job.askedBy !== byLink(link)) throw notFound('file');
  return job;
}

export async function cancelJob(context: Context, id: string): Promise<void> {
  allow(context.actor, 'cancelJob');
  if (!(await context.jobs.cancel(context.actor.workspace, id))) throw notFound('running job');
}

export async function cancelLinked(outside: Outside, token: string, id: string): Promise<void> {
  await linkedProgress(outside, token, id);
  const { link } = await requireLink(outside, token);
  if (!(await outside.jobs.cancel(link.workspace, id))) throw notFound('running job');
}

export async function jobFile(context: Context, id: string): Promise<WrittenFile> {
  return fileOf(context, context.actor.workspace, await jobProgress(context, id));
}

export async function linkedFile(outside: Outside, token: string, id: string): Promise<WrittenFile> {
  const job = await linkedProgress(outside, token, id);
  return fileOf(outside, (await requireLink(outside, token)).link.workspace, job);
}

async function fileOf({ jobs }: Outside, workspace: string, job: JobRow): Promise<WrittenFile> {
  if (job.refusal) throw new AppError(job.refusal.code, job.refusal.message);
  const file = await jobs.file(workspace, job.id);
  if (!file) throw notFound('file');
  return file;
}

function found(job: JobRow | null): JobRow {
  if (!job) throw notFound('job');
  return job;
}

/** Milliseconds between two looks, and for how long they are short. */
const LOOKS = [20, 40, 60, 100, 150];

/** As it stands when it has ended, or after so many milliseconds. */
export async function whenEnded(
  job: JobRow,
  look: (id: string) => Promise<JobRow>,
  patience: number,
): Promise<JobRow> {
  const until = Date.now() + patience;
  let newest = job;
  for (let at = 0; isOpen(newest) && Date.now() < until; at += 1) {
    await new Promise((resolve) => setTimeout(resolve, LOOKS[Math.min(at, LOOKS.length - 1)]));
    newest = await look(job.id);
  }
  return newest;
}

export const isOpen = ({ state }: JobRow): boolean => state === 'waiting' || state === 'running';
