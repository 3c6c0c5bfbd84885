/** The report of a study: the sentence, the lines, and every table that its files have. */
'use client';
import { useMemo } from 'react';
import { studyReport } from '@/core/display';
import { Button } from '@/ui/button';
import { CurveChart } from '@/ui/curve-chart';
import { BesideTables } from '../../report/beside-tables';
import { FileMakingLine, useFileMaking } from '../../report/file-making';
import { STUDY_DRAWS } from '@/core/own-or-rent';
import { Trouble } from '../../lib/trouble';
import { Working } from '../../lib/working';
import { useStudy, useStudyAsked, useWholeAnswer } from '../study-context';
import { StudyFiles } from './study-files';

export function StudyReportScreen() {
  const { id, study, assumptions } = useStudy();
  const answer = useWholeAnswer();
  const files = useFileMaking(`/api/studies/${id}/file`, '/api/jobs');
  const hangs = useStudyAsked(useMemo(() => ({ ask: 'hangs' as const, study }), [study]));
  const draws = useStudyAsked(useMemo(() => ({ ask: 'draws' as const, study, ...STUDY_DRAWS }), [study]));
  const told = answer.answer;
  const report = useMemo(
    () => told && studyReport({ study, answer: told, assumptions, hangs: hangs.answer, draws: draws.answer }),
    [study, told, assumptions, hangs.answer, draws.answer],
  );
  return (
    <>
      <FileMakingLine {...files} />
      <div className="flex min-h-[46px] shrink-0 items-center justify-end gap-3 border-b border-line px-[18px] print:hidden">
        {(draws.isWaiting || hangs.isWaiting) && (
          <Working progress={draws.progress} words="Drawing" onStop={draws.stop} />
        )}
        {report && (
          <>
            <Button onClick={() => window.print()}>Print</Button>
            <StudyFiles files={files} report={report} />
          </>
        )}
      </div>
      <div className="min-h-0 flex-1 overflow-y-auto bg-surface print:overflow-visible">
        <Trouble trouble={answer.trouble} again={answer.again} />
        {report && (
          <article
            aria-label={`Report on ${report.title}`}
            className="mx-auto w-full max-w-[1120px] px-[18px] pt-5 pb-16 print:max-w-none print:p-0"
          >
            <h2 className="text-xl font-semibold break-words">{report.title}</h2>
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
        )}
      </div>
    </>
  );
}
