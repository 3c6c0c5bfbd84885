/** A report as Markdown: for change requests, wikis and mail. User text cannot become markup. Needs Q6. */
import { writeMoney, writeNumber } from '@/platform/words';
import type { Labelled, Report, ReportLine } from '@/features/report/calc';
import { flatTableMarkdown } from '@/platform/files/flat-table-markdown';
import { plain } from '@/platform/files/markdown-text';

export function reportMarkdown(report: Report): string {
  const money = (value: string): string => writeMoney(value, report.currency);
  const { total } = report;
  const parts: string[] = [`# ${plain(report.title)}`];
  if (report.description) parts.push(plain(report.description));
  if (report.validUntil) parts.push(`Quotation, valid until ${report.validUntil}.`);
  if (total.unpriced > 0) parts.push(`**Incomplete: ${total.unpriced} not priced.**`);
  const totals: Labelled[] = [
    { label: 'Likely, a month', value: money(total.monthly) },
    { label: 'Lean to heavy', value: `${money(total.wick.low)} to ${money(total.wick.high)}` },
    ...(total.list === null ? [] : [{ label: 'At list price', value: money(total.list) }]),
    ...(total.gross === null ? [] : [{ label: 'With contingency and tax', value: money(total.gross) }]),
    { label: 'Upfront', value: money(total.upfront) },
    { label: 'First 12 months, cash', value: money(total.firstYear) },
    { label: `${report.months.length} months, cash`, value: money(total.whole) },
  ];
  parts.push(table(['', report.currency], totals.map(pair), true));
  for (const section of report.sections) {
    parts.push(`## ${plain(section.name)}, ${money(section.amount)}`);
    const head = ['Line', 'What', 'Count', 'Use', 'Paid', `${report.currency} a month`];
    parts.push(
      table(
        head,
        section.lines.map((line) => lineRow(line, money)),
        true,
      ),
    );
  }
  const block = (title: string, rows: readonly Labelled[], end = false): void => {
    if (rows.length > 0) parts.push(`## ${title}`, table(['', ''], rows.map(pair), end));
  };
  const inMoney = (rows: readonly Labelled[]): Labelled[] =>
    rows.map(({ label, value }) => ({ label, value: money(value) }));
  block('By service category', inMoney(report.byCategory), true);
  block(
    'Years, cash',
    report.years.map(({ label, cash }) => ({ label, value: money(cash) })),
    true,
  );
  parts.push(...report.kept.map(({ table: each }) => flatTableMarkdown(each).trimEnd()));
  parts.push(...report.beside.map((each) => flatTableMarkdown(each).trimEnd()));
  block('Assumptions', report.assumptions);
  block('Agreements', report.agreements);
  block('Not in the total, or not wanted', report.exclusions);
  block(
    'Price books',
    report.books.map(({ title, revision, effective, currency }) => ({
      label: `${title}, revision ${revision}`,
      value: `prices of ${effective} in ${currency}`,
    })),
  );
  return `${parts.join('\n\n')}\n`;
}

function pair({ label, value }: Labelled): string[] {
  return [label, value];
}

function lineRow(line: ReportLine, money: (value: string) => string): string[] {
  const what = [line.offer || line.kind, line.region].filter(Boolean).join(', ');
  const amount = line.amount === null ? `not priced: ${line.why ?? ''}` : money(line.amount);
  return [line.name, what, writeNumber(line.count), line.use, line.paid, amount];
}

function table(head: readonly string[], rows: readonly (readonly string[])[], lastRight: boolean): string {
  const line = (cells: readonly string[]): string => `| ${cells.map(plain).join(' | ')} |`;
  const rules = head.map((_, index) => (lastRight && index === head.length - 1 ? '---:' : '---'));
  return [line(head), `| ${rules.join(' | ')} |`, ...rows.map(line)].join('\n');
}
