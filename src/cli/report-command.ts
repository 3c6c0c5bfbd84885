/** `wick report`: the report of a design file, as the application writes it. */
import { buildReport } from '@/features/report/calc';
import { readReportOptions } from '@/features/report/format/report-options';
import { BESIDES, REPORT_FORMS } from '@/features/report/calc';
import { handOver } from '@/features/report/file/hand-over';
import { invalid } from '@/platform/use/app-error';
import { booksOf, readDesignFile, writeOut } from './files';
import type { Call } from './options';
import { say } from './print';

/** Writes the file; 0 if everything was priced, 3 if not. */
export async function reportCommand(call: Call): Promise<number> {
  const form = REPORT_FORMS.find((each) => each === call.one('as'));
  if (!form) throw invalid(`--as takes one of ${REPORT_FORMS.join(', ')}.`);
  const options = readReportOptions({
    variant: call.one('variant'),
    until: call.one('until'),
    agreements: call.has('agreements') ? '1' : undefined,
    months: call.has('by-month') ? '1' : undefined,
    beside: call.one('beside'),
  });
  if (!options)
    throw invalid(
      '--variant takes full or quotation, --until a date such as 2026-12-31, --beside some of ' +
        BESIDES.join(', ') +
        '.',
    );
  const design = readDesignFile(call.given[0]!);
  const books = await booksOf(call.all('books'));
  const built = buildReport(design, books, options);
  const { bytes } = await handOver(form, built, new Date());
  const out = call.one('out')!;
  writeOut(out, bytes);
  if (out !== '-') say(`${out}: ${built.report.total.monthly} ${design.currency} a month\n`);
  return built.report.total.unpriced > 0 ? 3 : 0;
}
