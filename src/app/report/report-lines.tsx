/** The lines of a report with their sections and the total. */
import type { ReactNode } from 'react';
import type { Report, ReportLine, ReportSection } from '@/core/report';
import { Amount, NotPriced } from '@/ui/amount';
import { Wick } from '@/ui/wick';
import { CELL, HEAD, HEADING } from './report-looks';

/** What opens a line's calculation, where it may be shown. */
export type Explain = (line: ReportLine) => ReactNode;

export function ReportLines({
  report,
  most,
  explain,
}: {
  readonly report: Report;
  readonly most: number;
  readonly explain?: Explain;
}) {
  const { currency, total } = report;
  return (
    <section aria-label="Lines" tabIndex={0} className="overflow-x-auto print:overflow-visible">
      <h2 className={HEADING}>Lines</h2>
      <table className="w-full text-sm">
        <thead className="print:table-header-group">
          <tr>
            <th scope="col" className={HEAD}>
              Line
            </th>
            <th scope="col" className={HEAD}>
              What
            </th>
            <th scope="col" className={`${HEAD} pr-3 text-right!`}>
              Count
            </th>
            <th scope="col" className={HEAD}>
              Use and way of paying
            </th>
            <th scope="col" className={`${HEAD} border-l border-l-line text-right!`}>
              {currency} / month
            </th>
            <th scope="col" className={`${HEAD} w-[120px] pl-3`}>
              Lean to heavy
            </th>
          </tr>
        </thead>
        <tbody>
          {report.sections.map((section) => (
            <SectionRows key={section.id} section={section} {...{ currency, most, explain }} />
          ))}
        </tbody>
        <tfoot className="print:table-row-group">
          <tr className="double-line border-t border-t-ink font-semibold">
            <th scope="row" colSpan={4} className="py-1.5 text-left">
              Total{total.unpriced > 0 && `, incomplete: ${total.unpriced} not priced`}
            </th>
            <td className="border-l border-l-line py-1.5 text-right">
              <Amount value={total.monthly} currency={currency} strong />
            </td>
            <td />
          </tr>
        </tfoot>
      </table>
    </section>
  );
}

function SectionRows({
  section,
  currency,
  most,
  explain,
}: {
  readonly section: ReportSection;
  readonly currency: string;
  readonly most: number;
  readonly explain?: Explain;
}) {
  return (
    <>
      <tr className="break-after-avoid">
        <th scope="rowgroup" colSpan={4} className="border-b border-ink pt-3 pb-1 text-left font-semibold">
          {section.name}
        </th>
        <td className="border-b border-l border-b-ink border-l-line pt-3 pb-1 text-right">
          <Amount value={section.amount} currency={currency} strong />
        </td>
        <td className="border-b border-ink pt-3 pb-1 pl-3">
          <Wick values={section.wick} currency={currency} most={most} />
        </td>
      </tr>
      {section.lines.map((line) => (
        <tr key={line.id} className="break-inside-avoid">
          <th scope="row" className={`${CELL} min-w-[120px] text-left font-normal break-words`}>
            {line.name}
            {line.why !== null && <p className="text-xs text-soft">{line.why}</p>}
            {line.amount !== null && explain?.(line)}
          </th>
          <td className={`${CELL} text-soft`}>
            {[line.offer || line.kind, [line.provider, line.region].filter(Boolean).join(' ')]
              .filter(Boolean)
              .join(', ')}
          </td>
          <td className={`${CELL} text-right tabular-nums`}>{line.count}</td>
          <td className={`${CELL} text-soft`}>{[line.use, line.paid].filter(Boolean).join('; ')}</td>
          <td className={`${CELL} border-l border-l-line pr-0! text-right`}>
            {line.amount === null ? <NotPriced /> : <Amount value={line.amount} currency={currency} />}
          </td>
          <td className={`${CELL} pr-0! pl-3`}>
            {line.wick && <Wick values={line.wick} currency={currency} most={most} />}
          </td>
        </tr>
      ))}
    </>
  );
}
