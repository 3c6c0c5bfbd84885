/** `wick price`: the same design file, the same books, the same core; so the same numbers as on screen. */
import { type Decimal, parseDecimal } from '@/core/base';
import { allComponents, type Design, findComponent } from '@/core/design';
import { describeMonth, sentenceFor, writeMoney } from '@/core/display';
import {
  type BookSet,
  type MonthSeries,
  priceDesign,
  priceMonths,
  runaway,
  type Runaway,
} from '@/core/pricing';
import { type DesignSummary, type LineSummary, summarise } from '@/core/range';
import { type PlainFigure, toPlain, toText } from '@/core/trace';
import { designCsv, readDesign } from '@/formats';
import { invalid } from '@/operations';
import type { Form } from './books-command';
import { booksOfFolder, orRefuse, readText } from './files';

const MOST_MONTHS = 120;

/** Prints totals and traces; 0 if everything was priced, 3 if not. */
export async function priceCommand(
  designFile: string,
  booksFolder: string,
  form: Form,
  { months, traffic }: { readonly months?: string; readonly traffic?: string } = {},
): Promise<number> {
  const design = orRefuse(readDesign(readText(designFile)), designFile);
  const horizon = months === undefined ? 0 : Number(months);
  if (!Number.isInteger(horizon) || horizon < 0 || horizon > MOST_MONTHS) {
    throw invalid(`--months takes a whole number from 1 to ${MOST_MONTHS}.`);
  }
  const times = traffic === undefined ? null : parseDecimal(traffic);
  if (times && !(times.ok && times.value.greaterThan(0))) {
    throw invalid('--traffic takes a number above zero, such as 100 for a hundred times the traffic.');
  }
  const books = await booksOfFolder(booksFolder);
  const summary = summarise(design, books);
  const series = horizon > 0 ? priceMonths(design, books, 'likely', horizon) : null;
  const under = times?.ok ? { times: times.value, ...runaway(design, books, times.value) } : null;
  if (form === 'csv') process.stdout.write(designCsv(design, summary));
  else {
    const traces = tracesOf(design, books);
    process.stdout.write(
      form === 'json'
        ? `${JSON.stringify({ summary, traces, ...(series ? { months: plainMonths(series) } : {}), ...(under ? { traffic: plainRunaway(under) } : {}) }, null, 2)}\n`
        : asText(design, summary, traces) +
            (series ? monthsText(series) : '') +
            (under ? runawayText(design, under) : ''),
    );
  }
  return summary.unpriced > 0 ? 3 : 0;
}

type UnderLoad = Runaway & { readonly times: Decimal };

function plainRunaway({ times, now, then, rows }: UnderLoad) {
  return {
    times: times.toString(),
    now: now.toString(),
    then: then.toString(),
    rows: rows.map((row) => ({ id: row.id, now: row.now.toString(), then: row.then.toString() })),
  };
}

function runawayText(design: Design, { times, then, rows }: UnderLoad): string {
  const money = (value: Decimal): string => writeMoney(value, design.currency);
  return [
    `With ${times} times the traffic   ${money(then)} ${design.currency}/month`,
    ...rows.map((row) => `  ${findComponent(design, row.id)!.name}  ${money(row.now)} to ${money(row.then)}`),
    '',
  ].join('\n');
}

function plainMonths({ rows, firstYear, quarters, years, whole }: MonthSeries) {
  const plain = ({ monthly, cash }: MonthSeries['whole']) => ({
    monthly: monthly.toString(),
    cash: cash.toString(),
  });
  return {
    rows: rows.map((row) => ({ month: row.month, calendar: row.calendar, ...plain(row) })),
    firstYear: plain(firstYear),
    quarters: quarters.map(plain),
    years: years.map(plain),
    whole: plain(whole),
  };
}

function monthsText({ rows, years, whole, currency }: MonthSeries): string {
  const money = (value: MonthSeries['whole']): string =>
    `${writeMoney(value.monthly.toString(), currency)}   cash ${writeMoney(value.cash.toString(), currency)}`;
  return [
    ...rows.map((row) => `Month ${row.month}${row.calendar ? ` (${row.calendar})` : ''}   ${money(row)}`),
    ...years.map((year, at) => `Year ${at + 1}   ${money(year)}`),
    `All ${rows.length} months   ${money(whole)} ${currency}`,
    '',
  ].join('\n');
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
    `First 12 months   ${money(summary.firstYear ?? summary.twelveMonths)}, of which upfront ${money(summary.upfront)}`,
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
