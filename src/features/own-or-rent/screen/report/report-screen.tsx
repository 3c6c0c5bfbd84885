/** The report of a study: the sentence, the lines, and every table that its files have. */
'use client';
import { useMemo, useState } from 'react';
import { studyReport } from '@/features/own-or-rent/words';
import { Button } from '@/platform/ui/button';
import { LinksDialog } from '@/platform/screen/links-dialog';
import { FileMakingLine, useFileMaking } from '@/features/report/screen/file-making';
import { STUDY_DRAWS } from '@/features/own-or-rent/calc';
import { Trouble } from '@/platform/screen/trouble';
import { Working } from '@/platform/screen/working';
import { useStudy, useStudyAsked, useWholeAnswer } from '../study-context';
import { StudyFiles } from './study-files';
import { StudyReportView } from './study-report-view';

export function StudyReportScreen({ today }: { readonly today: string }) {
  const { id, study, assumptions } = useStudy();
  const [linksOpen, setLinksOpen] = useState(false);
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
            <Button onClick={() => setLinksOpen(true)}>Links …</Button>
            <Button onClick={() => window.print()}>Print</Button>
            <StudyFiles files={files} report={report} />
          </>
        )}
        <LinksDialog id={id} of="study" open={linksOpen} today={today} onClose={() => setLinksOpen(false)} />
      </div>
      <div className="min-h-0 flex-1 overflow-y-auto bg-surface print:overflow-visible">
        <Trouble trouble={answer.trouble} again={answer.again} />
        {report && <StudyReportView report={report} />}
      </div>
    </>
  );
}
