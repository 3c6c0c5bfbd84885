/** `wick report`: the report of a design file, as the application writes it. */
import fs from 'node:fs';
import { buildReport } from '@/core/report';
import { readDesign, readReportOptions } from '@/formats';
import { HANDOVER_FORMS, handOver } from '@/handover';
import { invalid } from '@/operations';
import { booksOfFolder, orRefuse, readText } from './files';

export interface ReportCall {
  readonly form: string;
  readonly out: string;
  readonly variant?: string;
  readonly until?: string;
  readonly agreements?: boolean;
}

/** Writes the file; 0 if everything was priced, 3 if not. */
export async function reportCommand(
  designFile: string,
  booksFolder: string,
  call: ReportCall,
): Promise<number> {
  const form = HANDOVER_FORMS.find((each) => each === call.form);
  if (!form) throw invalid(`--as takes one of ${HANDOVER_FORMS.join(', ')}.`);
  const options = readReportOptions({
    variant: call.variant,
    until: call.until,
    agreements: call.agreements ? '1' : undefined,
  });
  if (!options) throw invalid('--variant takes full or quotation, --until a date such as 2026-12-31.');
  const design = orRefuse(readDesign(readText(designFile)), designFile);
  const books = await booksOfFolder(booksFolder);
  const built = buildReport(design, books, options);
  const { bytes } = await handOver(form, built, books, new Date());
  fs.writeFileSync(call.out, bytes);
  process.stdout.write(`${call.out}: ${built.report.total.monthly} ${design.currency} a month\n`);
  return built.report.total.unpriced > 0 ? 3 : 0;
}
