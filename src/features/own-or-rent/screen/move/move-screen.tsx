/** The move as a chart of waves: bars by month that keys and fields move; what running both sides costs. */
'use client';
import { studyMonth } from '@/features/own-or-rent/calc';
import { useState } from 'react';
import { studyTroubleText } from '@/features/own-or-rent/words';
import { writeMoney } from '@/platform/words';
import type { Study } from '@/features/own-or-rent/calc';
import { Button } from '@/platform/ui/button';
import { Margin } from '@/platform/ui/margin';
import { added } from '../numbers/things';
import { NumberMargin } from '../numbers/number-margin';
import { ThingMargin } from '../numbers/thing-margin';
import { useStudy, useWholeAnswer } from '../study-context';
import { StudyTally } from '../study-tally';
import { WaveChart } from './wave-chart';

export function MoveScreen() {
  const { study, assumptions, answer, change, preview } = useStudy();
  const later = useWholeAnswer().answer?.monthLater ?? null;
  const [chosen, setChosen] = useState(study.waves[0]?.id ?? '');
  const [marginOpen, setMarginOpen] = useState(true);
  const wave = study.waves.find(({ id }) => id === chosen) ?? study.waves[0];
  const told = answer.answer;
  const rented = told?.variants.find(({ id }) => id === told.rent);
  const moving = study.variants.find(({ id }) => id === study.against[1]);
  const troubles = (told?.troubles ?? []).filter(
    ({ at }) => at.startsWith('waves/') || at.endsWith('/delay'),
  );
  return (
    <>
      <div className="flex min-h-0 flex-1 max-[700px]:flex-col">
        <div className="min-w-0 flex-1 overflow-auto bg-surface pb-8">
          <div className="flex flex-wrap items-center gap-2 border-b border-line px-[18px] py-2">
            <h2 className="mr-auto text-base font-semibold">What moves when?</h2>
            <Button onClick={() => change(added(study, 'wave'))}>Add a wave</Button>
          </div>
          {study.waves.length === 0 ? (
            <p className="px-[18px] py-6 text-sm text-soft">
              Nothing moves yet. A wave is a part of the work that begins to be rented in one month, is moved
              within a few, and runs on both sides for a while.
            </p>
          ) : (
            <WaveChart
              study={study}
              chosen={wave?.id ?? ''}
              onChoose={setChosen}
              onChange={change}
              onTry={preview}
            />
          )}
          {troubles.length > 0 && (
            <ul role="alert" className="list-disc px-[36px] pt-2 text-sm text-ember-ink">
              {troubles.map((each, at) => (
                <li key={at}>{studyTroubleText(each)}</li>
              ))}
            </ul>
          )}
          <div className="max-w-[820px] space-y-1 px-[18px] pt-4 text-sm">
            {rented && moving?.target !== null && (
              <>
                <p data-testid="beside">
                  Running both sides costs {money(rented.beside, study)}: what is rented before the same is
                  switched off at home. The move itself costs {money(rented.move, study)}.
                </p>
                {later !== null && (
                  <p data-testid="month-later">
                    {Number(later) === 0
                      ? 'One month later costs the same.'
                      : `One month later costs ${money(later.replace('-', ''), study)} ${Number(later) > 0 ? 'more' : 'less'}.`}
                  </p>
                )}
                <p className="text-soft">
                  {rented.emptyFrom === null
                    ? 'Something stays: the house is never empty.'
                    : `The house is empty from ${studyMonth(study.start, rented.emptyFrom)} on; contracts that run longer are paid to their end.`}
                  {moving &&
                    Number(moving.delay.likely) > 0 &&
                    ` “${moving.name}” begins all of this ${moving.delay.likely} months later; the chart is drawn without that.`}
                </p>
              </>
            )}
            <p className="text-xs text-soft">
              Drag a bar to move its beginning, its middle edge for the time it takes to move, its end for the
              time that both sides run. With keys: left and right, with Shift, with Alt.
            </p>
          </div>
        </div>
        <Margin label="About the wave" open={marginOpen} onToggle={() => setMarginOpen(!marginOpen)}>
          {wave ? (
            <div className="space-y-5">
              <ThingMargin
                key={wave.id}
                path={`waves/${wave.id}`}
                onRemove={() => change({ ...study, waves: study.waves.filter(({ id }) => id !== wave.id) })}
              />
              {(['from', 'ramp', 'beside'] as const).flatMap((field) => {
                const found = assumptions.find(({ id }) => id === `waves/${wave.id}/${field}`);
                return found
                  ? [<NumberMargin key={found.id} assumption={found} trouble={null} isShort />]
                  : [];
              })}
            </div>
          ) : (
            <p className="pr-8 text-sm text-soft">Add a wave to plan the move.</p>
          )}
        </Margin>
      </div>
      <StudyTally />
    </>
  );
}

const money = (value: string, { currency }: Study): string => `${writeMoney(value, currency)} ${currency}`;
