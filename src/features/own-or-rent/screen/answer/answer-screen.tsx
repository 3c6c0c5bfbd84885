/** The answer of a study: a sentence, both sides as sums so far, and the table of years; every figure opens. */
'use client';
import { useMemo, useState } from 'react';
import { paidDrawing, paybackSentence, studySentence, turnsSentence } from '@/features/own-or-rent/words';
import { writeMoney } from '@/platform/words';
import { STUDY_DRAWS } from '@/features/own-or-rent/calc';
import { CurveChart } from '@/platform/ui/curve-chart';
import { Margin } from '@/platform/ui/margin';
import { Trouble } from '@/platform/screen/trouble';
import { Working } from '@/platform/screen/working';
import { Settings } from '../settings';
import { useStudy, useStudyAsked, useWholeAnswer } from '../study-context';
import { StudyTally } from '../study-tally';
import { StudyTroubles } from '../study-troubles';
import { type AskedFigure, FigureMargin } from './figure-margin';
import { KindBars } from './kind-bars';
import { PeriodsView } from './periods-view';

export function AnswerScreen() {
  const { study, assumptions, answer } = useStudy();
  const [figure, setFigure] = useState<AskedFigure | null>(null);
  const [marginOpen, setMarginOpen] = useState(true);
  const drawsAsked = useMemo(() => ({ ask: 'draws' as const, study, ...STUDY_DRAWS }), [study]);
  const hangsAsked = useMemo(() => ({ ask: 'hangs' as const, study }), [study]);
  const draws = useStudyAsked(drawsAsked);
  const hangs = useStudyAsked(hangsAsked);
  const told = answer.answer;
  const whole = useWholeAnswer().answer;
  const drawing = useMemo(() => told && paidDrawing(told, draws.answer), [told, draws.answer]);
  return (
    <>
      <div className="flex min-h-0 flex-1 max-[700px]:flex-col">
        <div className="min-w-0 flex-1 overflow-auto bg-surface px-[18px] pt-3 pb-10">
          <Trouble trouble={answer.trouble} again={answer.again} />
          {!told && !answer.trouble && <Working progress={answer.progress} />}
          {told && (
            <>
              <p className="max-w-[820px] text-lg font-semibold" data-testid="study-sentence" role="status">
                {studySentence(told, draws.answer)}
              </p>
              {told.more !== null && (
                <p className="mt-1 max-w-[820px] text-base text-soft" data-testid="study-turns">
                  {hangs.answer
                    ? turnsSentence(hangs.answer.turns, assumptions, told.currency)
                    : 'Looking for what turns it …'}{' '}
                  {paybackSentence(told)}{' '}
                  {whole?.monthLater != null && later(whole.monthLater, whole.currency)}
                </p>
              )}
              <StudyTroubles troubles={told.troubles} />
              {told.more !== null && drawing && (
                <section aria-label={drawing.question} className="mt-4 max-w-[900px]">
                  <h2 className="text-sm font-semibold">
                    {drawing.question}
                    <span className="font-normal text-soft"> Thin lines: P10 and P90 of the draws.</span>
                  </h2>
                  <CurveChart
                    label={`${drawing.question} ${paybackSentence(told)}`}
                    {...drawing}
                    height={260}
                    file={`${study.title}, so far`}
                  />
                </section>
              )}
              {told.more !== null && (
                <>
                  <KindBars answer={told} />
                  <PeriodsView answer={told} figure={figure} onFigure={setFigure} />
                </>
              )}
            </>
          )}
        </div>
        <Margin label="About the study" open={marginOpen} onToggle={() => setMarginOpen(!marginOpen)}>
          {figure ? <FigureMargin figure={figure} onClose={() => setFigure(null)} /> : <Settings />}
        </Margin>
      </div>
      <StudyTally />
    </>
  );
}

function later(amount: string, currency: string): string {
  const value = Number(amount);
  if (value === 0) return 'A month later costs the same.';
  return `One month later costs ${writeMoney(amount.replace('-', ''), currency)} ${currency} ${value > 0 ? 'more' : 'less'}.`;
}
