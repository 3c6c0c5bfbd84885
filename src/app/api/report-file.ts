/** Reports as files, for the people of the workspace and for those with a link: written as jobs, fetched when done. */
import 'server-only';
import { REPORT_FORMS } from '@/features/report/calc';
import { readReportOptions } from '@/features/report/format/report-options';
import { AppError, invalid } from '@/platform/use/app-error';
import { type Context } from '@/stores/ports';
import { isOpen, jobFile, jobProgress, type WantedReport, whenEnded } from '@/features/report/use/jobs';
import { type JobRow, type WrittenFile } from '@/platform/use/job-ports';

export function wantedReport(request: Request): WantedReport {
  const query = Object.fromEntries(new URL(request.url).searchParams);
  const form = REPORT_FORMS.find((each) => each === query.form);
  if (!form) throw invalid(`A report is written as ${REPORT_FORMS.join(', ')}.`);
  const options = readReportOptions(query);
  if (!options) throw invalid('The variant is full or quotation, and the date is written 2026-12-31.');
  return { form, options };
}

/** Milliseconds that a request waits for a file: most are there by then. */
const PATIENCE = 1200;

/** What the asker may see of a job, and follow until it has ended. */
export function jobAnswer({ askedBy: _, ...shown }: JobRow, status = 200): Response {
  const headers = { 'cache-control': 'no-store' };
  return Response.json(shown, { status, headers });
}

export async function askedAnswer(job: JobRow, look: (id: string) => Promise<JobRow>): Promise<Response> {
  return jobAnswer(await whenEnded(job, look, PATIENCE), 202);
}

/** The file itself, or where to follow it (202, Location). */
export async function fileSoon(
  job: JobRow,
  look: (id: string) => Promise<JobRow>,
  file: (id: string) => Promise<WrittenFile>,
  follow: string,
): Promise<Response> {
  const newest = await whenEnded(job, look, PATIENCE);
  if (isOpen(newest)) {
    const answer = jobAnswer(newest, 202);
    answer.headers.set('location', `${follow}/${job.id}`);
    return answer;
  }
  if (newest.state === 'cancelled') throw new AppError('gone', 'Writing this file was called off.');
  return fileAnswer(await file(job.id));
}

/** A file for the people of the workspace: itself, or where to follow it. */
export function teamFile(inside: Context, job: JobRow): Promise<Response> {
  return fileSoon(
    job,
    (id) => jobProgress(inside, id),
    (id) => jobFile(inside, id),
    '/api/jobs',
  );
}

export function teamAsked(inside: Context, job: JobRow): Promise<Response> {
  return askedAnswer(job, (id) => jobProgress(inside, id));
}

export function fileAnswer({ type, name, bytes }: WrittenFile): Response {
  return new Response(bytes, {
    headers: {
      'content-type': type,
      'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(name)}`,
      'cache-control': 'private, no-store',
    },
  });
}
