/** `wick price`: the same design file, the same books, the same core; so the same numbers as on screen. */
import { indexBook } from '@/core/books';
import { allComponents, type Design } from '@/core/design';
import { describeMonth, sentenceFor, writeMoney } from '@/core/display';
import { bookSet, type BookSet, priceDesign } from '@/core/pricing';
import { type DesignSummary, type LineSummary, summarise } from '@/core/range';
import { type PlainFigure, toPlain, toText } from '@/core/trace';
import { type Checked, readDesign, readPriceBook, toBookData } from '@/formats';
import { invalid } from '@/operations';
import { jsonFilesIn, readText } from './files';

/** Prints totals and traces; 0 if everything was priced, 3 if not. */
export function priceCommand(designFile: string, booksFolder: string, asJson: boolean): number {
  const design = orRefuse(readDesign(readText(designFile)), designFile);
  const books = bookSet(
    jsonFilesIn(booksFolder).map((file) =>
      indexBook(toBookData(orRefuse(readPriceBook(readText(file)), file))),
    ),
  );
  const summary = summarise(design, books);
  const traces = tracesOf(design, books);
  process.stdout.write(
    asJson ? `${JSON.stringify({ summary, traces }, null, 2)}\n` : asText(design, summary, traces),
  );
  return summary.unpriced > 0 ? 3 : 0;
}

function orRefuse<T>(read: Checked<T>, file: string): T {
  if (read.ok) return read.value;
  throw invalid(`“${file}” is refused:`, read.faults, read.more);
}

function tracesOf(design: Design, books: BookSet): Record<string, PlainFigure> {
  const lines = priceDesign(design, books, 'likely').sections.flatMap((section) => section.lines);
  return Object.fromEntries(
    lines.flatMap((line) => (line.status === 'priced' ? [[line.id, toPlain(line.monthly)]] : [])),
  );
}

function asText(design: Design, summary: DesignSummary, traces: Record<string, PlainFigure>): string {
  const names = new Map(allComponents(design).map((component) => [component.id, component.name]));
  const money = (value: string): string => writeMoney(value, summary.currency);
  const out = [design.title, ''];
  for (const section of summary.sections) {
    out.push(`${section.name}  ${money(section.printed)} ${summary.currency}/month`);
    for (const line of section.lines)
      out.push(...lineText(line, names.get(line.id)!, money, traces[line.id]));
  }
  const incomplete = summary.unpriced > 0 ? `, incomplete: ${summary.unpriced} not priced` : '';
  out.push(
    '',
    `Total likely      ${money(summary.printed)} ${summary.currency}/month${incomplete}`,
    `Lean to heavy     ${money(summary.wick.low)} to ${money(summary.wick.high)}`,
    `First 12 months   ${money(summary.firstYear)}, of which upfront ${money(summary.upfront)}`,
    `Assumptions       ${describeMonth(design.assumptions.month)}, allowances ${design.assumptions.countAllowances ? 'counted' : 'not counted'}`,
    '',
  );
  return out.join('\n');
}

function lineText(
  line: LineSummary,
  name: string,
  money: (value: string) => string,
  trace?: PlainFigure,
): string[] {
  const head = `  ${name}  ${line.printed === null ? 'not priced' : money(line.printed)}`;
  const said = [...line.issues, ...line.notices].map((issue) => `      ! ${sentenceFor(issue)}`);
  const steps = trace
    ? toText(trace)
        .split('\n')
        .map((step) => `      ${step}`)
    : [];
  return [head, ...said, ...steps];
}
