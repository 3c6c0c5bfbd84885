/** A priced design as text for people and as data for programs: names and sentences beside ids and codes. */
import type { Decimal } from '@/engine/base';
import { allComponents, type Design, findComponent } from '@/engine/design';
import { describeMonth } from '@/engine/time';
import { sentenceFor, writeMoney } from '@/platform/words';
import type { MonthSeries, Runaway } from '@/engine/analysis';
import type { DesignSummary, LineSummary } from '@/engine/summary';
import { type PlainFigure, toText } from '@/engine/trace';
import type { Case } from '@/engine/usage';

export type Traces = Readonly<Record<Case, Readonly<Record<string, PlainFigure>>>>;

export interface Priced {
  readonly file: string;
  readonly design: Design;
  readonly summary: DesignSummary;
  readonly months: MonthSeries;
  /** Whether months were asked for; the first 12 are worked out anyway. */
  readonly showMonths: boolean;
  readonly traffic: (Runaway & { readonly times: Decimal }) | null;
  /** Null: nobody asked. */
  readonly traces: Traces | null;
  readonly overBudget: boolean;
}

export function asData({ file, design, summary, months, traffic, traces, overBudget }: Priced) {
  const names = new Map(allComponents(design).map(({ id, name }) => [id, name]));
  const sections = summary.sections.map((section) => ({
    ...section,
    lines: section.lines.map((line) => ({
      ...line,
      name: names.get(line.id)!,
      says: [...line.issues, ...line.notices].map(sentenceFor),
    })),
  }));
  return {
    file,
    title: design.title,
    summary: { ...summary, sections },
    budget: design.assumptions.budget ?? null,
    overBudget,
    months: plainMonths(months),
    ...(traces ? { traces } : {}),
    ...(traffic ? { traffic: plainRunaway(traffic, names) } : {}),
  };
}

function plainMonths({ rows, firstYear, quarters, years, whole }: MonthSeries) {
  const plain = ({ monthly, cash }: MonthSeries['whole']) => ({
    monthly: monthly.toString(),
    cash: cash.toString(),
  });
  return {
    rows: rows.map((row) => ({
      month: row.month,
      calendar: row.calendar,
      ...plain(row),
      unpriced: row.unpriced,
      endings: row.endings.map(({ id, due }) => ({ id, due: due.toString() })),
    })),
    firstYear: plain(firstYear),
    quarters: quarters.map(plain),
    years: years.map(plain),
    whole: plain(whole),
  };
}

function plainRunaway(
  { times, now, then, rows }: NonNullable<Priced['traffic']>,
  names: ReadonlyMap<string, string>,
) {
  return {
    times: times.toString(),
    now: now.toString(),
    then: then.toString(),
    rows: rows.map((row) => ({
      id: row.id,
      name: names.get(row.id) ?? row.id,
      now: row.now.toString(),
      then: row.then.toString(),
    })),
  };
}

/** Every line with its amount, then the totals; traces only where they were asked for. */
export function asText(priced: Priced): string {
  const { design, summary, months, showMonths, traffic } = priced;
  const money = (value: string | Decimal): string => writeMoney(value, summary.currency);
  const out = [design.title, ''];
  for (const section of summary.sections) {
    out.push(`${section.name}  ${money(section.printed)} ${summary.currency}/month`);
    for (const line of section.lines) out.push(...lineText(line, priced));
  }
  out.push('', ...totals(priced).map(([label, text]) => `${label.padEnd(17)} ${text}`));
  if (showMonths) out.push('', ...monthsText(months, design));
  if (traffic) {
    out.push(
      '',
      `With ${traffic.times} times the traffic   ${money(traffic.then)} ${summary.currency}/month`,
    );
    for (const row of traffic.rows) {
      out.push(`  ${findComponent(design, row.id)!.name}  ${money(row.now)} to ${money(row.then)}`);
    }
  }
  return `${out.join('\n')}\n`;
}

function totals({ design, summary, overBudget }: Priced): [string, string][] {
  const { currency } = summary;
  const money = (value: string): string => writeMoney(value, currency);
  const { contingency, tax, budget, month, countAllowances } = design.assumptions;
  const incomplete = summary.unpriced > 0 ? `, incomplete: ${summary.unpriced} not priced` : '';
  const rows: [string, string][] = [
    ['Total likely', `${money(summary.printed)} ${currency}/month${incomplete}`],
    ['Lean to heavy', `${money(summary.wick.low)} to ${money(summary.wick.high)}`],
  ];
  if (summary.list !== summary.monthly) rows.push(['List', money(summary.list)]);
  if (summary.resale !== summary.monthly) rows.push(['Resale', money(summary.resale)]);
  if (contingency !== undefined || tax !== undefined) {
    const with0 = [contingency !== undefined && 'contingency', tax !== undefined && 'tax'].filter(Boolean);
    rows.push([`With ${with0.join(' and ')}`, money(summary.gross)]);
  }
  rows.push(['First 12 months', `${money(summary.firstYear!)}, of which upfront ${money(summary.upfront)}`]);
  if (budget !== undefined) {
    rows.push(['Budget', `${money(budget)} a month, ${overBudget ? 'exceeded' : 'kept'}`]);
  }
  const allowances = countAllowances ? 'counted' : 'not counted';
  rows.push(['Assumptions', `${describeMonth(month)}, allowances ${allowances}`]);
  return rows;
}

function monthsText({ rows, years, whole, currency }: MonthSeries, design: Design): string[] {
  const money = (value: MonthSeries['whole']): string =>
    `${writeMoney(value.monthly.toString(), currency)}   cash ${writeMoney(value.cash.toString(), currency)}`;
  return [
    ...rows.flatMap((row) => [
      `Month ${row.month}${row.calendar ? ` (${row.calendar})` : ''}   ${money(row)}`,
      ...row.endings.map(
        ({ id, due }) =>
          `  ${findComponent(design, id)!.name} ends before its term: ${writeMoney(due, currency)} are due`,
      ),
    ]),
    ...years.map((year, at) => `Year ${at + 1}   ${money(year)}`),
    `All ${rows.length} months   ${money(whole)} ${currency}`,
  ];
}

function lineText(line: LineSummary, { design, summary, traces }: Priced): string[] {
  const { name } = findComponent(design, line.id)!;
  const amount = line.printed === null ? 'not priced' : writeMoney(line.printed, summary.currency);
  const said = [...line.issues, ...line.notices].map((issue) => `      ! ${sentenceFor(issue)}`);
  const trace = traces?.likely[line.id];
  const steps = trace
    ? toText(trace)
        .split('\n')
        .map((step) => `      ${step}`)
    : [];
  return [`  ${name}  ${amount}`, ...said, ...steps];
}
