/** A report as a download, for the people of the workspace and for those with a link. */
import 'server-only';
import type { ReportOptions } from '@/core/report';
import { readReportOptions } from '@/formats';
import { HANDOVER_FORMS, handOver, type HandoverForm } from '@/handover';
import { oneAtATime } from './one-at-a-time';
import { AppError, fileStem, invalid, type ReadReport } from '@/operations';

export interface WantedReport {
  readonly form: HandoverForm;
  readonly options: ReportOptions;
}

export function wantedReport(request: Request): WantedReport {
  const query = Object.fromEntries(new URL(request.url).searchParams);
  const form = HANDOVER_FORMS.find((each) => each === query.form);
  if (!form) throw invalid(`A report is written as ${HANDOVER_FORMS.join(', ')}.`);
  const options = readReportOptions(query);
  if (!options) throw invalid('The variant is full or quotation, and the date is written 2026-12-31.');
  return { form, options };
}

/** Lines of a printed report: its pages are laid out one after the other, and everybody waits for that. */
const MOST_PRINTED = { team: 1500, stranger: 300 } as const;

function requirePrintable({ report }: ReadReport, reader: keyof typeof MOST_PRINTED): void {
  const lines = report.sections.reduce((sum, section) => sum + section.lines.length, 0);
  const most = MOST_PRINTED[reader];
  if (lines > most) {
    const message = `A PDF has at most ${most} lines here, and this report has ${lines}. Take the XLSX or the Markdown, or print the page.`;
    throw new AppError('too-large', message);
  }
}

export async function reportFile(
  { form }: Pick<WantedReport, 'form'>,
  read: ReadReport,
  at: Date,
  signal: AbortSignal,
  reader: keyof typeof MOST_PRINTED,
): Promise<Response> {
  if (form === 'pdf') requirePrintable(read, reader);
  const { type, bytes } = await oneAtATime(signal, () => handOver(form, read, read.books, at));
  const name = encodeURIComponent(`${fileStem(read.report.title)}-${read.report.variant}.${form}`);
  return new Response(bytes, {
    headers: {
      'content-type': type,
      'content-disposition': `attachment; filename*=UTF-8''${name}`,
      'cache-control': 'private, no-store',
    },
  });
}
