/** The report of a study as a page: for its own people, and for whoever has a link. */
'use client';
import type { StudyReport } from '@/features/own-or-rent/words';
import { CurveChart } from '@/platform/ui/curve-chart';
import { BesideTables } from '@/features/report/screen/beside-tables';

interface StudyReportViewProps {
  readonly report: StudyReport;
  /** Which revision it shows, where that is not plain. */
  readonly made?: string;
}

export function StudyReportView({ report, made }: StudyReportViewProps) {
  return (
    <article
      aria-label={`Report on ${report.title}`}
      className="mx-auto w-full max-w-[1120px] px-[18px] pt-5 pb-16 print:max-w-none print:p-0"
    >
      <h2 className="text-xl font-semibold break-words">{report.title}</h2>
      {made && <p className="mt-1 text-sm text-soft">{made}</p>}
      {report.lead.map((text, at) => (
        <p
          key={text}
          className={`mt-1 max-w-[820px] break-words ${at === 0 ? 'text-lg font-semibold' : 'text-base text-soft'}`}
        >
          {text}
        </p>
      ))}
      {report.drawing && (
        <section aria-label={report.drawing.question} className="mt-4 max-w-[900px]">
          <h3 className="text-sm font-semibold">{report.drawing.question}</h3>
          <CurveChart
            label={`${report.drawing.question} ${report.lead[0] ?? ''}`}
            {...report.drawing}
            height={260}
            file={`${report.title}, so far`}
          />
        </section>
      )}
      <BesideTables tables={report.tables} />
    </article>
  );
}
