/**
 * A report on paper: real text, page numbers, heads repeated on every page, and the quarters as bars. Needs Q2, Q4.
 */
import { Document, renderToBuffer, Text, View } from '@react-pdf/renderer';
import type { ReactNode } from 'react';
import { writeMoney } from '@/platform/words';
import type { Labelled, Report } from '@/features/report/calc';
import { BesidePages } from '@/platform/files/pdf-beside';
import { Cell } from '@/platform/files/pdf-cell';
import { QuarterBars } from './pdf-chart';
import { Entered, Lines, type Money, stretches, TogetherAtTheEnd } from './pdf-lines';
import { Sheet } from '@/platform/files/pdf-sheet';
import { STYLES, registerFonts } from '@/platform/files/pdf-style';

export async function reportPdf(report: Report, at: Date, byMonth = false): Promise<Uint8Array> {
  registerFonts();
  return new Uint8Array(await renderToBuffer(<Paper report={report} at={at} byMonth={byMonth} />));
}

interface PaperProps {
  readonly report: Report;
  readonly at: Date;
  readonly byMonth: boolean;
}

/** Summary, lines, then months and what stands behind them: pages of their own, so that each repeats its own heads. */
function Paper({ report, at, byMonth }: PaperProps) {
  const money: Money = (value) => writeMoney(value, report.currency).replaceAll('\u2212', '-');
  const parts = stretches(report.sections);
  const sheet = (children: ReactNode, key?: string, across = false) => (
    <Sheet
      key={key}
      title={report.title}
      foot={`Made on ${at.toISOString().slice(0, 10)} · ${report.currency}`}
      across={across}
    >
      {children}
    </Sheet>
  );
  return (
    <Document title={report.title} creator="Wick Tally" creationDate={at} language="en">
      {sheet(
        <>
          <Text style={STYLES.title}>{report.title}</Text>
          {report.description !== '' && <Text style={STYLES.lead}>{report.description}</Text>}
          {report.validUntil && <Text style={STYLES.lead}>Quotation, valid until {report.validUntil}</Text>}
          <Totals report={report} money={money} />
          <QuarterBars quarters={report.quarters} currency={report.currency} money={money} />
          <Pairs title="By service category" rows={inMoney(report.byCategory, money)} end />
          <Pairs title="By kind" rows={inMoney(report.byKind, money)} end />
        </>,
      )}
      {parts.map((sections, at) =>
        sheet(
          <Lines report={report} sections={sections} isLast={at === parts.length - 1} money={money} />,
          `lines-${at}`,
        ),
      )}
      {sheet(
        <>
          <Over report={report} money={money} byMonth={byMonth} />
          <Pairs title="Assumptions" rows={report.assumptions} />
          <Pairs title="Agreements" rows={report.agreements} />
          <Pairs title="Not in the total, or not wanted" rows={report.exclusions} />
          <Pairs title="Price books" rows={bookRows(report)} />
          {parts.length === 1 && <Entered sections={parts[0]!} />}
        </>,
      )}
      {report.kept.map(({ id, table, drawing }) =>
        sheet(<BesidePages table={table} drawing={drawing} />, `kept-${id}`, true),
      )}
      {report.beside.map((table, at) => sheet(<BesidePages table={table} />, `beside-${at}`, true))}
      {parts.length > 1 && parts.map((part, at) => sheet(<Entered sections={part} />, `entered-${at}`))}
    </Document>
  );
}

function inMoney(rows: readonly Labelled[], money: Money): Labelled[] {
  return rows.map(({ label, value }) => ({ label, value: money(value) }));
}

function bookRows(report: Report): Labelled[] {
  return report.books.map(({ title, revision, effective, currency, source }) => ({
    label: `${title}, revision ${revision}`,
    value: `prices of ${effective} in ${currency}; ${source}`,
  }));
}

function Totals({ report, money }: { readonly report: Report; readonly money: Money }) {
  const { total } = report;
  const rows: Labelled[] = [
    { label: 'Lean to heavy', value: `${money(total.wick.low)} to ${money(total.wick.high)}` },
    ...(total.list === null ? [] : [{ label: 'At list price', value: money(total.list) }]),
    ...(total.gross === null ? [] : [{ label: 'With contingency and tax', value: money(total.gross) }]),
    { label: 'Recurring', value: money(total.recurring) },
    { label: 'Upfront', value: money(total.upfront) },
    { label: 'First 12 months, cash', value: money(total.firstYear) },
    { label: `${report.months.length} months, cash`, value: money(total.whole) },
    ...(total.budget === null ? [] : [{ label: 'Budget of a month', value: money(total.budget) }]),
  ];
  return (
    <>
      <Text style={STYLES.heading}>What it costs, {report.currency} a month</Text>
      <View style={STYLES.total}>
        <Cell grow={3}>Likely{total.unpriced > 0 ? `, incomplete: ${total.unpriced} not priced` : ''}</Cell>
        <Cell grow={1} end>
          {money(total.monthly)}
        </Cell>
      </View>
      <View style={STYLES.double} />
      {rows.map((row) => (
        <View key={row.label} style={STYLES.row} wrap={false}>
          <Cell grow={3}>{row.label}</Cell>
          <Cell grow={2} end>
            {row.value}
          </Cell>
        </View>
      ))}
    </>
  );
}

function Over({ report, money, byMonth }: Omit<PaperProps, 'at'> & { readonly money: Money }) {
  const row = ({ label, compares, cash }: Report['months'][number], strong = false) => (
    <View key={label} style={strong ? [STYLES.row, STYLES.strong] : STYLES.row} wrap={false}>
      <Cell grow={2}>{label}</Cell>
      <Cell grow={2} end>
        {money(compares)}
      </Cell>
      <Cell grow={2} end>
        {money(cash)}
      </Cell>
    </View>
  );
  const parts = byMonth ? report.months.slice(0, 12) : report.quarters;
  const name = byMonth ? 'Month' : 'Quarter';
  return (
    <>
      <Text style={STYLES.heading} minPresenceAhead={60}>
        {byMonth ? 'Months' : 'Quarters'} and years, {report.currency}
      </Text>
      <View style={STYLES.head}>
        <Cell grow={2}>{name}</Cell>
        <Cell grow={2} end>
          As it compares
        </Cell>
        <Cell grow={2} end>
          Cash
        </Cell>
      </View>
      <TogetherAtTheEnd
        rows={[...parts.map((each) => row(each)), ...report.years.map((year) => row(year, true))]}
      />
    </>
  );
}

function Pairs({
  title,
  rows,
  end = false,
}: {
  readonly title: string;
  readonly rows: readonly Labelled[];
  readonly end?: boolean;
}) {
  if (rows.length === 0) return null;
  return (
    <>
      <Text style={STYLES.heading} minPresenceAhead={40}>
        {title}
      </Text>
      <TogetherAtTheEnd
        rows={rows.map((row, index) => (
          <View key={index} style={STYLES.row} wrap={false}>
            <Cell grow={2}>{row.label}</Cell>
            <Cell grow={3} end={end} soft={!end}>
              {row.value}
            </Cell>
          </View>
        ))}
      />
    </>
  );
}
