/** The move as a chart of waves: bars by month that keys and fields move; what running both sides costs. */
'use client';
import { studyMonth } from '@/core/own-or-rent';
import { type KeyboardEvent, useState } from 'react';
import { studyTroubleText, writeMoney } from '@/core/display';
import { GENERAL, type Study, type Wave, withGuess } from '@/core/own-or-rent';
import { Button } from '@/ui/button';
import { Margin } from '@/ui/margin';
import { added } from '../numbers/things';
import { NumberMargin } from '../numbers/number-margin';
import { ThingMargin } from '../numbers/thing-margin';
import { useStudy, useWholeAnswer } from '../study-context';
import { StudyTally } from '../study-tally';

const LEAST_MONTHS = 24;
const MONTH = 26;

export function MoveScreen() {
  const { study, assumptions, answer, change } = useStudy();
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
            <WaveChart study={study} chosen={wave?.id ?? ''} onChoose={setChosen} onChange={change} />
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
              On a bar: left and right move its beginning, with Shift the time it takes to move, with Alt the
              time that both sides run.
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

interface WaveChartProps {
  readonly study: Study;
  readonly chosen: string;
  readonly onChoose: (id: string) => void;
  readonly onChange: (study: Study) => void;
}

function WaveChart({ study, chosen, onChoose, onChange }: WaveChartProps) {
  const ends = study.waves.map(({ from, ramp, beside }) =>
    [from, ramp, beside].reduce((sum, { likely }) => sum + Number(likely), 0),
  );
  const months = Math.min(study.years * 12, Math.max(LEAST_MONTHS, ...ends.map((end) => end + 4)));
  const preparation = Number(study.general.preparation?.likely ?? GENERAL.preparation.default);
  const first = Math.min(...study.waves.map(({ from }) => Number(from.likely)));
  return (
    <div tabIndex={0} role="region" aria-label="Chart of waves" className="overflow-x-auto px-[18px] pt-3">
      <div style={{ width: 190 + months * MONTH }}>
        <div className="flex border-b border-ink text-xs text-soft">
          <span className="w-[190px] shrink-0 py-1">Wave</span>
          {Array.from({ length: months }, (_, month) => (
            <span
              key={month}
              className="shrink-0 border-l border-line py-1 text-center"
              style={{ width: MONTH }}
            >
              {month % 3 === 0 ? studyMonth(study.start, month).slice(0, 3) : ''}
              {month % 12 === 0 && <span className="block">{studyMonth(study.start, month).slice(4)}</span>}
            </span>
          ))}
        </div>
        <div className="flex h-[34px] items-center border-b border-line text-sm text-soft">
          <span className="w-[190px] shrink-0">Preparation</span>
          <span className="relative h-full flex-1">
            <span
              className="absolute top-[10px] h-[14px] border border-dashed border-edge"
              style={{
                left: Math.max(0, first - preparation) * MONTH,
                width: Math.max(2, preparation * MONTH - 2),
              }}
            />
          </span>
        </div>
        {study.waves.map((wave) => (
          <WaveRow
            key={wave.id}
            {...{ wave, study, onChange }}
            isChosen={wave.id === chosen}
            onChoose={() => onChoose(wave.id)}
          />
        ))}
        <p className="flex flex-wrap gap-5 py-2 text-xs text-soft">
          <Key className="border border-dashed border-edge">preparation</Key>
          <Key className="bg-brand opacity-60">moving, more rented each month</Key>
          <Key className="border-2 border-brand">both sides run in full</Key>
        </p>
      </div>
    </div>
  );
}

function Key({ className, children }: { readonly className: string; readonly children: string }) {
  return (
    <span className="flex items-center gap-1.5">
      <span aria-hidden="true" className={`inline-block h-3 w-6 ${className}`} />
      {children}
    </span>
  );
}

interface WaveRowProps {
  readonly wave: Wave;
  readonly study: Study;
  readonly isChosen: boolean;
  readonly onChoose: () => void;
  readonly onChange: (study: Study) => void;
}

function WaveRow({ wave, study, isChosen, onChoose, onChange }: WaveRowProps) {
  const [from, ramp, beside] = [wave.from, wave.ramp, wave.beside].map(({ likely }) => Number(likely)) as [
    number,
    number,
    number,
  ];
  const names = wave.parts.map((id) => study.parts.find((part) => part.id === id)?.name ?? id).join(', ');
  const said = `begins in ${studyMonth(study.start, from)}, is moved within ${ramp} months, both sides run for ${beside} more, switched off in ${studyMonth(study.start, from + ramp + beside)}`;
  const onKey = (event: KeyboardEvent): void => {
    const step = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
    if (step === 0) return;
    event.preventDefault();
    const field = event.shiftKey ? 'ramp' : event.altKey ? 'beside' : 'from';
    const now = Number(wave[field].likely);
    const next = Math.max(0, Math.min(84, now + step));
    if (next !== now) onChange(withGuess(study, `waves/${wave.id}/${field}`, { likely: String(next) }));
  };
  return (
    <div className={`flex h-[38px] items-center border-b border-line text-sm ${isChosen ? 'bg-wash' : ''}`}>
      <span className="w-[190px] shrink-0 pr-2">
        <span className="block truncate font-medium">{wave.name}</span>
        {names !== wave.name && (
          <span className="block truncate text-xs text-soft">{names || 'nothing moves'}</span>
        )}
      </span>
      <span className="relative h-full flex-1">
        <button
          type="button"
          role="slider"
          aria-label={`Wave ${wave.name}`}
          aria-valuemin={0}
          aria-valuemax={84}
          aria-valuenow={from}
          aria-valuetext={said}
          title={said}
          onClick={onChoose}
          onFocus={onChoose}
          onKeyDown={onKey}
          className="absolute top-[7px] flex h-[24px] cursor-pointer rounded"
          style={{ left: from * MONTH, width: Math.max(8, (ramp + beside) * MONTH) }}
        >
          <span className="h-full bg-brand opacity-60" style={{ width: ramp * MONTH }} />
          <span
            className="h-full border-2 border-brand"
            style={{ width: Math.max(beside * MONTH, ramp === 0 ? 8 : 0) }}
          />
        </button>
      </span>
    </div>
  );
}
