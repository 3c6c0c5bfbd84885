/** A report as a download, for the people of the workspace and for those with a link. */
import 'server-only';
import type { ReportOptions } from '@/core/report';
import type { WrittenFile } from '@/desk/protocol';
import { readReportOptions } from '@/formats';
import { HANDOVER_FORMS, type HandoverForm } from '@/handover/forms';
import { invalid } from '@/operations';

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

export function fileAnswer({ type, name, bytes }: WrittenFile): Response {
  return new Response(bytes, {
    headers: {
      'content-type': type,
      'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(name)}`,
      'cache-control': 'private, no-store',
    },
  });
}
