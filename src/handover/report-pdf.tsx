/**
 * A report on paper: real text, page numbers, heads repeated on every page, and the quarters as bars. Needs Q2, Q4.
 */
import { Document, Page, renderToBuffer, Text, View } from '@react-pdf/renderer';
import type { ReactNode } from 'react';
import { writeMoney, writeNumber } from '@/core/display';
import type { Labelled, Report, ReportLine, ReportSection } from '@/core/report';
import { QuarterBars } from './pdf-chart';
import { STYLES, registerFonts } from './pdf-style';

export async function reportPdf(report: Report, at: Date): Promise<Uint8Array> {
  registerFonts();
  return new Uint8Array(await renderToBuffer(<Paper report={report} at={at} />));
}

type Money = (value: string) => string;

/** Summary, lines, and what stands behind them: pages of their own, so that each repeats its own heads. */
function Paper({ report, at }: { readonly report: Report; readonly at: Date }) {
  const money: Money = (value) => writeMoney(value, report.currency).replaceAll('\u2212', '-');
  const sheet = (children: ReactNode) => (
    <Page size="A4" style={STYLES.page}>
      <Text fixed style={STYLES.running} render={({ pageNumber }) => (pageNumber > 1 ? report.title : '')} />
      {children}
      <Text fixed style={STYLES.foot}>
        Made on {at.toISOString().slice(0, 10)} · {report.currency}
      </Text>
      <Text
        fixed
        style={[STYLES.foot, STYLES.end]}
        render={({ pageNumber, totalPages }) => `Page ${pageNumber} of ${totalPages}`}
      />
    </Page>
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
          <Over report={report} money={money} />
        </>,
      )}
      {sheet(<Lines report={report} money={money} />)}
      {sheet(
        <>
          <Pairs title="Assumptions" rows={report.assumptions} />
          <Pairs title="Agreements" rows={report.agreements} />
          <Pairs title="Not in the total, or not wanted" rows={report.exclusions} />
          <Pairs title="Price books" rows={bookRows(report)} />
          <Entered report={report} />
        </>,
      )}
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

function Lines({ report, money }: { readonly report: Report; readonly money: Money }) {
  return (
    <>
      <View style={STYLES.head} fixed>
        <Cell grow={3}>Line</Cell>
        <Cell grow={3}>What</Cell>
        <Cell grow={1} end>
          Count
        </Cell>
        <Cell grow={3} indent>
          Use and way of paying
        </Cell>
        <Cell grow={2} end>
          {report.currency} a month
        </Cell>
      </View>
      {report.sections.map((section) => (
        <Section key={section.id} section={section} money={money} />
      ))}
      <View style={STYLES.total} wrap={false}>
        <Cell grow={10}>Total</Cell>
        <Cell grow={2} end>
          {money(report.total.monthly)}
        </Cell>
      </View>
      <View style={STYLES.double} />
    </>
  );
}

function Section({ section, money }: { readonly section: ReportSection; readonly money: Money }) {
  return (
    <>
      <View style={STYLES.section} wrap={false} minPresenceAhead={30}>
        <Cell grow={10}>{section.name}</Cell>
        <Cell grow={2} end>
          {money(section.amount)}
        </Cell>
      </View>
      {section.lines.map((line) => (
        <View key={line.id} style={STYLES.row} wrap={false}>
          <Cell grow={3}>{line.name}</Cell>
          <Cell grow={3} soft>
            {whatOf(line)}
          </Cell>
          <Cell grow={1} end>
            {writeNumber(line.count)}
          </Cell>
          <Cell grow={3} soft indent>
            {[line.use, line.paid].filter(Boolean).join('; ')}
          </Cell>
          <Cell grow={2} end>
            {line.amount === null ? 'not priced' : money(line.amount)}
          </Cell>
        </View>
      ))}
    </>
  );
}

function whatOf({ offer, kind, provider, region }: ReportLine): string {
  return [offer || kind, [provider, region].filter(Boolean).join(' ')].filter(Boolean).join(', ');
}

function Over({ report, money }: { readonly report: Report; readonly money: Money }) {
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
  return (
    <>
      <Text style={STYLES.heading} minPresenceAhead={60}>
        Months and years, {report.currency}
      </Text>
      <View style={STYLES.head}>
        <Cell grow={2}>Month</Cell>
        <Cell grow={2} end>
          As it compares
        </Cell>
        <Cell grow={2} end>
          Cash
        </Cell>
      </View>
      {report.months.slice(0, 12).map((month) => row(month))}
      {report.years.map((year) => row(year, true))}
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
      {rows.map((row, index) => (
        <View key={index} style={STYLES.row} wrap={false}>
          <Cell grow={2}>{row.label}</Cell>
          <Cell grow={3} end={end} soft={!end}>
            {row.value}
          </Cell>
        </View>
      ))}
    </>
  );
}

function Entered({ report }: { readonly report: Report }) {
  return (
    <>
      <Text style={STYLES.heading} minPresenceAhead={40}>
        Every line as it was entered
      </Text>
      {report.sections.flatMap((section) =>
        section.lines.map((line) => (
          <View key={line.id} style={STYLES.row} wrap={false}>
            <Cell grow={2}>{line.name}</Cell>
            <Cell grow={5} soft>
              {[...line.settings.map(({ label, value }) => `${label}: ${value}`), ...line.notices].join('. ')}
            </Cell>
          </View>
        )),
      )}
    </>
  );
}

function Cell({
  grow,
  end = false,
  soft = false,
  indent = false,
  children,
}: {
  readonly grow: number;
  readonly end?: boolean;
  readonly soft?: boolean;
  readonly indent?: boolean;
  readonly children: ReactNode;
}) {
  const place = { flexGrow: grow, flexBasis: 0, paddingRight: end ? 0 : 6, paddingLeft: indent ? 8 : 0 };
  const style = { ...place, ...(end ? STYLES.end : {}), ...(soft ? STYLES.soft : {}) };
  return <Text style={style}>{children}</Text>;
}
