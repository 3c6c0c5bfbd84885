/** The lines of a report with their sections and the total. */
import type { ReactNode } from 'react';
import { writeNumber } from '@/platform/words';
import type { Report, ReportLine, ReportSection } from '@/features/report/calc';
import { Amount, NotPriced } from '@/platform/ui/amount';
import { Wick } from '@/platform/ui/wick';
import { CELL, HEAD, HEADING } from '@/platform/screen/report-looks';

/** Columns that a narrow screen folds into the line's own cell. */
const WIDE = 'max-[640px]:hidden print:table-cell';

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
            <th scope="col" className={`${HEAD} ${WIDE}`}>
              What
            </th>
            <th scope="col" className={`${HEAD} ${WIDE} pr-3 text-right!`}>
              Count
            </th>
            <th scope="col" className={`${HEAD} ${WIDE}`}>
              Use and way of paying
            </th>
            <th scope="col" className={`${HEAD} border-l border-l-line pl-3 text-right!`}>
              {currency} / month
            </th>
            <th scope="col" className={`${HEAD} ${WIDE} w-[120px] pl-3 print:w-[72px]`}>
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
            <th scope="row" className="py-1.5 text-left">
              Total{total.unpriced > 0 && `, incomplete: ${total.unpriced} not priced`}
            </th>
            <td className={WIDE} colSpan={3} />
            <td className="border-l border-l-line py-1.5 pl-3 text-right whitespace-nowrap">
              <Amount value={total.monthly} currency={currency} strong />
            </td>
            <td className={WIDE} />
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
        <th scope="rowgroup" className="border-b border-ink pt-3 pb-1 text-left font-semibold">
          {section.name}
        </th>
        <td className={`${WIDE} border-b border-ink`} colSpan={3} />
        <td className="border-b border-l border-b-ink border-l-line pt-3 pb-1 pl-3 text-right whitespace-nowrap">
          <Amount value={section.amount} currency={currency} strong />
        </td>
        <td className={`${WIDE} border-b border-ink pt-3 pb-1 pl-3`}>
          <Wick values={section.wick} currency={currency} most={most} />
        </td>
      </tr>
      {section.lines.map((line) => (
        <tr key={line.id} className="break-inside-avoid">
          <th scope="row" className={`${CELL} min-w-[120px] text-left font-normal break-words`}>
            {line.name}
            <p className="hidden text-xs text-soft max-[640px]:block print:hidden">
              {[`${writeNumber(line.count)} of ${line.offer || line.kind}`, line.use, line.paid]
                .filter(Boolean)
                .join('; ')}
            </p>
            {line.why !== null && <p className="text-xs text-soft">{line.why}</p>}
            {line.amount !== null && explain?.(line)}
          </th>
          <td className={`${CELL} ${WIDE} text-soft print:min-w-[120px]`}>
            {[line.offer || line.kind, [line.provider, line.region].filter(Boolean).join(' ')]
              .filter(Boolean)
              .join(', ')}
          </td>
          <td className={`${CELL} ${WIDE} text-right tabular-nums`}>{writeNumber(line.count)}</td>
          <td className={`${CELL} ${WIDE} text-soft`}>{[line.use, line.paid].filter(Boolean).join('; ')}</td>
          <td className={`${CELL} border-l border-l-line pr-0! pl-3 text-right whitespace-nowrap`}>
            {line.amount === null ? <NotPriced /> : <Amount value={line.amount} currency={currency} />}
          </td>
          <td className={`${CELL} ${WIDE} pr-0! pl-3`}>
            {line.wick && <Wick values={line.wick} currency={currency} most={most} />}
          </td>
        </tr>
      ))}
    </>
  );
}
