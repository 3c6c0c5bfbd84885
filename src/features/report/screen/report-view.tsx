/** A report as a page: for the screen, for print, and for those with a link. Rows add up to sections and the total. */
import { writeMoney } from '@/platform/words';
import type { Labelled, Report, ReportMonth } from '@/features/report/calc';
import { Amount } from '@/platform/ui/amount';
import { Wick } from '@/platform/ui/wick';
import { BesideTables, KeptAnswers } from './beside-tables';
import { CashChart } from './cash-chart';
import { Entered, Paying, Prices } from './report-behind';
import { type Explain, ReportLines } from './report-lines';
import { CELL, HEAD, HEADING } from '@/platform/screen/report-looks';

interface ReportViewProps {
  readonly report: Report;
  /** When it was made, as text. */
  readonly made: string;
  readonly explain?: Explain;
}

export function ReportView({ report, made, explain }: ReportViewProps) {
  const most = Math.max(0, ...report.sections.map((section) => Number(section.wick.high)));
  return (
    <article
      aria-label={`Report on ${report.title}`}
      className="mx-auto w-full max-w-[1040px] px-[18px] pt-5 pb-16 print:max-w-none print:p-0"
    >
      <h1 className="text-xl font-semibold break-words">{report.title}</h1>
      {report.description && (
        <p className="mt-1 max-w-[640px] text-base break-words text-soft">{report.description}</p>
      )}
      <p className="mt-1 text-sm text-soft">
        {report.variant === 'quotation'
          ? `Quotation${report.validUntil ? `, valid until ${report.validUntil}` : ''} · `
          : ''}
        {made} · {report.currency}
      </p>
      <div className="grid items-end gap-x-10 gap-y-5 lg:grid-cols-[minmax(0,560px)_minmax(0,1fr)]">
        <Totals report={report} />
        <CashChart quarters={report.quarters} currency={report.currency} />
      </div>
      <ReportLines report={report} most={most} explain={explain} />
      <div className="grid gap-x-10 sm:grid-cols-2">
        <Amounts title="By service category" rows={report.byCategory} report={report} />
        <Amounts title="By kind" rows={report.byKind} report={report} />
      </div>
      <Over report={report} />
      <KeptAnswers kept={report.kept} />
      <BesideTables tables={report.beside} />
      <Pairs title="Assumptions" rows={report.assumptions} />
      <Pairs title="Agreements" rows={report.agreements} />
      <Pairs title="Not in the total, or not wanted" rows={report.exclusions} />
      <Pairs title="Price books" rows={bookRows(report)} />
      <Paying report={report} />
      <Entered report={report} />
      <Prices report={report} />
    </article>
  );
}

function bookRows({ books }: Report): Labelled[] {
  return books.map(({ title, revision, effective, currency, source }) => ({
    label: `${title}, revision ${revision}`,
    value: `prices of ${effective} in ${currency}; ${source}`,
  }));
}

function Totals({ report }: { readonly report: Report }) {
  const { total, currency, months } = report;
  const money = (value: string): string => writeMoney(value, currency);
  const rows: (Labelled | false)[] = [
    { label: 'Lean to heavy, a month', value: `${money(total.wick.low)} to ${money(total.wick.high)}` },
    total.list !== null && { label: 'At list price', value: money(total.list) },
    total.gross !== null && { label: 'With contingency and tax', value: money(total.gross) },
    { label: 'Upfront', value: money(total.upfront) },
    { label: 'First 12 months, cash', value: money(total.firstYear) },
    { label: `${months.length} months, cash`, value: money(total.whole) },
    total.budget !== null && { label: 'Budget of a month', value: money(total.budget) },
  ];
  return (
    <section aria-label="Totals" className="mt-5 max-w-[560px]">
      <div className="double-line flex items-baseline justify-between border-t border-t-ink py-1.5">
        <span className="text-base font-semibold">Likely, {currency} a month</span>
        <span className="text-xl">
          <Amount value={total.monthly} currency={currency} strong />
        </span>
      </div>
      {total.unpriced > 0 && (
        <p className="mt-1.5 text-sm font-semibold text-ember-ink">
          Incomplete: {total.unpriced} not priced, see below.
        </p>
      )}
      <div className="mt-1.5">
        <Wick values={total.wick} currency={currency} most={Number(total.wick.high)} height={18} />
      </div>
      <dl className="mt-1">
        {rows
          .filter((row) => row !== false)
          .map(({ label, value }) => (
            <div key={label} className="flex justify-between gap-4 border-b border-line py-1">
              <dt className="text-soft">{label}</dt>
              <dd className="text-right tabular-nums">{value}</dd>
            </div>
          ))}
      </dl>
    </section>
  );
}

function Amounts({
  title,
  rows,
  report,
}: {
  readonly title: string;
  readonly rows: readonly Labelled[];
  readonly report: Report;
}) {
  return (
    <section aria-label={title}>
      <h2 className={HEADING}>{title}</h2>
      <dl>
        {rows.map(({ label, value }) => (
          <div key={label} className="flex justify-between gap-4 border-b border-line py-1">
            <dt>{label}</dt>
            <dd>
              <Amount value={value} currency={report.currency} />
            </dd>
          </div>
        ))}
      </dl>
    </section>
  );
}

function Over({ report }: { readonly report: Report }) {
  const { currency, months, quarters, years } = report;
  return (
    <section aria-label="Over time">
      <h2 className={HEADING}>Over {months.length} months</h2>
      <MonthTable rows={years} word="Year" currency={currency} />
      <details className="mt-2 print:hidden">
        <summary className="cursor-pointer text-sm text-brand">Quarters and months</summary>
        <div className="grid gap-x-10 sm:grid-cols-2">
          <MonthTable rows={quarters} word="Quarter" currency={currency} />
          <MonthTable rows={months} word="Month" currency={currency} />
        </div>
      </details>
    </section>
  );
}

function MonthTable({
  rows,
  word,
  currency,
}: {
  readonly rows: readonly ReportMonth[];
  readonly word: string;
  readonly currency: string;
}) {
  return (
    <table className="w-full max-w-[560px] self-start text-sm">
      <thead>
        <tr>
          <th scope="col" className={HEAD}>
            {word}
          </th>
          <th scope="col" className={`${HEAD} text-right!`}>
            as it compares, {currency}
          </th>
          <th scope="col" className={`${HEAD} text-right!`}>
            cash, {currency}
          </th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ label, compares, cash }) => (
          <tr key={label}>
            <th scope="row" className={`${CELL} text-left font-normal`}>
              {label}
            </th>
            <td className={`${CELL} text-right`}>
              <Amount value={compares} currency={currency} />
            </td>
            <td className={`${CELL} pr-0! text-right`}>
              <Amount value={cash} currency={currency} />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Pairs({ title, rows }: { readonly title: string; readonly rows: readonly Labelled[] }) {
  if (rows.length === 0) return null;
  return (
    <section aria-label={title}>
      <h2 className={HEADING}>{title}</h2>
      <dl className="text-sm">
        {rows.map(({ label, value }, index) => (
          <div
            key={index}
            className="grid grid-cols-[minmax(0,2fr)_minmax(0,3fr)] gap-4 border-b border-line py-1"
          >
            <dt className="break-words">{label}</dt>
            <dd className="break-words text-soft">{value}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
