/** The report of a design in each of the forms in which it leaves the house. */
import type { BuiltReport, ReportForm } from '@/features/report/calc';
import { reportMarkdown } from './report-markdown';
import { reportPdf } from './report-pdf';
import { reportSheet } from './report-sheet';

const TYPES: Readonly<Record<ReportForm, string>> = {
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  pdf: 'application/pdf',
  md: 'text/markdown; charset=utf-8',
  json: 'application/json',
};

export interface HandedOver {
  readonly type: string;
  readonly bytes: Uint8Array<ArrayBuffer>;
}

export async function handOver(form: ReportForm, built: BuiltReport, at: Date): Promise<HandedOver> {
  return { type: TYPES[form], bytes: new Uint8Array(await write(form, built, at)) };
}

async function write(form: ReportForm, built: BuiltReport, at: Date): Promise<Uint8Array> {
  const { report } = built;
  switch (form) {
    case 'xlsx':
      return reportSheet(built, at);
    case 'pdf':
      return reportPdf(report, at, built.byMonth);
    case 'md':
      return new TextEncoder().encode(reportMarkdown(report));
    case 'json':
      return new TextEncoder().encode(`${JSON.stringify(report, null, 2)}\n`);
  }
}
