/** The forms in which a report leaves the house. */
import type { BuiltReport } from '@/core/report';
import type { HandoverForm } from './forms';
import { reportMarkdown } from './report-markdown';
import { reportPdf } from './report-pdf';
import { reportSheet } from './report-sheet';

export * from './forms';

const TYPES: Readonly<Record<HandoverForm, string>> = {
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  pdf: 'application/pdf',
  md: 'text/markdown; charset=utf-8',
  json: 'application/json',
};

export interface HandedOver {
  readonly type: string;
  readonly bytes: Uint8Array<ArrayBuffer>;
}

export async function handOver(form: HandoverForm, built: BuiltReport, at: Date): Promise<HandedOver> {
  return { type: TYPES[form], bytes: new Uint8Array(await write(form, built, at)) };
}

async function write(form: HandoverForm, built: BuiltReport, at: Date): Promise<Uint8Array> {
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
