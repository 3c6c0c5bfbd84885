/** What the answer hangs on: each assumption alone, where it turns, whom the judgements favour, draws, and two as a map. */
'use client';
import { useMemo, useState } from 'react';
import {
  assumptionName,
  hangsTable,
  leaningWords,
  studyValue,
  turnsSentence,
  turnWords,
} from '@/features/own-or-rent/words';
import { writeNumber } from '@/platform/words';
import { type Assumption, neutralStudy, type StudySwing } from '@/features/own-or-rent/calc';
import { flatTableCsv } from '@/platform/formats/flat-table-csv';
import { Button } from '@/platform/ui/button';
import { tell } from '@/platform/ui/toast';
import type { HangsAnswer } from '@/features/own-or-rent/worker/study-protocol';
import { CELL, HEAD, NUMBER } from '@/features/design/screen/table-looks';
import { saveText } from '@/platform/screen/save-text';
import { Trouble } from '@/platform/screen/trouble';
import { Working } from '@/platform/screen/working';
import { useStudy, useStudyAsked } from '../study-context';
import { StudyTally } from '../study-tally';
import { StudyTroubles } from '../study-troubles';
import { DrawsView, signedMoney } from './draws-view';
import { MapView } from './map-view';

const SHOWN = 18;

export function HangsScreen() {
  const { study, assumptions, answer } = useStudy();
  const hangs = useStudyAsked(useMemo(() => ({ ask: 'hangs' as const, study }), [study]));
  const told = hangs.answer;
  return (
    <>
      <div className="min-h-0 flex-1 overflow-auto bg-surface px-[18px] pt-3 pb-10">
        <Trouble trouble={hangs.trouble} again={hangs.again} />
        {answer.answer?.more === null && (
          <>
            <p className="text-lg font-semibold">This cannot be calculated yet.</p>
            <StudyTroubles troubles={answer.answer.troubles} />
          </>
        )}
        {!told && hangs.isWaiting && (
          <Working progress={hangs.progress} words="Trying each assumption alone" />
        )}
        {told && (
          <>
            <p className="max-w-[820px] text-base" data-testid="hangs-turns">
              {turnsSentence(told.turns, assumptions, study.currency)}
            </p>
            <Swings told={told} assumptions={assumptions} />
            <Leanings told={told} assumptions={assumptions} />
            <DrawsView />
            <MapView swings={told.swings} />
          </>
        )}
      </div>
      <StudyTally />
    </>
  );
}

interface ToldProps {
  readonly told: HangsAnswer;
  readonly assumptions: readonly Assumption[];
}

function Swings({ told, assumptions }: ToldProps) {
  const { study } = useStudy();
  const { currency } = study;
  const [all, setAll] = useState(false);
  const found = new Map(assumptions.map((each) => [each.id, each]));
  const rows = told.swings.filter(({ id }) => found.has(id)).slice(0, all ? undefined : SHOWN);
  const ends = rows.flatMap(({ atLow, atHigh }) => [atLow, atHigh, 0]);
  const scale = { from: Math.min(0, ...ends), to: Math.max(0, ...ends) };
  const value = (each: number, of: Assumption): string =>
    studyValue(String(Number(each.toPrecision(5))), of.field.unit, currency);
  return (
    <section aria-label="Each assumption alone" className="mt-4">
      <div className="flex items-center gap-3">
        <h2 className="text-sm font-semibold">
          By how much does renting cost more, if only this is otherwise?
          <span className="font-normal text-soft">
            {' '}
            {currency}, over {study.years} years
          </span>
        </h2>
        <Button
          tone="bare"
          onClick={() =>
            saveText(
              flatTableCsv(hangsTable(told, assumptions, currency)),
              `${study.title}, what it hangs on.csv`,
              'text/csv',
            )
          }
        >
          CSV
        </Button>
      </div>
      <div tabIndex={0} role="region" aria-label="Table of assumptions" className="overflow-x-auto">
        <table className="w-full min-w-[880px] text-sm">
          <thead>
            <tr>
              <th scope="col" className={`${HEAD} text-left`}>
                Assumption
              </th>
              <th scope="col" className={`${HEAD} text-left`}>
                from, to
              </th>
              <th scope="col" className={`${HEAD} text-left`}>
                <span className="flex justify-between">
                  <span>owning is dearer</span>
                  <span>renting is dearer</span>
                </span>
              </th>
              <th scope="col" className={`${HEAD} text-right`}>
                at the lower
              </th>
              <th scope="col" className={`${HEAD} text-right`}>
                at the higher
              </th>
              <th scope="col" className={`${HEAD} text-left`}>
                it turns where
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.map((swing) => {
              const of = found.get(swing.id)!;
              const turn = told.turns.find(({ id }) => id === swing.id);
              return (
                <tr key={swing.id}>
                  <th scope="row" className={`${CELL} text-left font-normal`}>
                    {assumptionName(of)}
                  </th>
                  <td className={`${CELL} whitespace-nowrap text-soft`}>
                    {writeNumber(String(Number(swing.low.toPrecision(5))))} to {value(swing.high, of)}
                    {!swing.isOwn && <span title="No range was typed: a fifth to either side"> ±</span>}
                  </td>
                  <td className={`${CELL} w-[250px]`} aria-hidden="true">
                    <Bar swing={swing} scale={scale} />
                  </td>
                  <td className={NUMBER}>{signedMoney(swing.atLow, currency)}</td>
                  <td className={NUMBER}>{signedMoney(swing.atHigh, currency)}</td>
                  <td className={`${CELL} text-soft`}>{turn ? turnWords(turn, of, currency) : ''}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      <p className="mt-1 text-xs text-soft">
        ± no range was typed: a fifth to either side.{' '}
        {told.swings.length > SHOWN && (
          <Button tone="bare" onClick={() => setAll(!all)}>
            {all ? 'Show the widest only' : `Show ${told.swings.length - SHOWN} more that move it less`}
          </Button>
        )}
      </p>
    </section>
  );
}

interface BarProps {
  readonly swing: StudySwing;
  readonly scale: { readonly from: number; readonly to: number };
}

/** From the lower end to the higher; the upright line is where both sides cost the same. */
function Bar({ swing, scale }: BarProps) {
  const width = scale.to - scale.from || 1;
  const x = (value: number): number => ((value - scale.from) / width) * 238 + 6;
  const [low, high] = [x(swing.atLow), x(swing.atHigh)];
  return (
    <svg width="250" height="16" className="block">
      <line x1={x(0)} x2={x(0)} y1="0" y2="16" stroke="var(--ink)" strokeWidth="1" />
      <line
        x1={Math.min(low, high)}
        x2={Math.max(low, high)}
        y1="8"
        y2="8"
        stroke="var(--brand)"
        strokeWidth="3"
      />
      <circle cx={high} cy="8" r="4" fill="var(--brand)" />
      <circle cx={low} cy="8" r="3.5" fill="var(--surface)" stroke="var(--brand)" strokeWidth="1.5" />
    </svg>
  );
}

function Leanings({ told, assumptions }: ToldProps) {
  const { study, change, undo } = useStudy();
  const { currency } = study;
  const felt = told.leanings.filter(({ by }) => Math.abs(by) >= 0.005);
  const neutral = (): void => {
    change(neutralStudy(study));
    tell('Every judgement favours nobody now.', undo ? { label: 'Take it back', run: undo } : undefined);
  };
  return (
    <section aria-label="Judgements" className="mt-6 max-w-[880px]">
      <div className="flex items-center gap-3">
        <h2 className="text-sm font-semibold">Which side do the judgements favour?</h2>
        {told.leanings.length > 0 && <Button onClick={neutral}>Set all to neutral</Button>}
      </div>
      {felt.length === 0 ? (
        <p className="mt-1 text-sm text-soft" data-testid="leanings">
          Every judgement is at a value that favours nobody.
        </p>
      ) : (
        <ul className="mt-1 text-sm" data-testid="leanings">
          {felt.map((each) => {
            const of = assumptions.find(({ id }) => id === each.id);
            if (!of) return null;
            const [is, would] = [each.value, each.neutral].map((text) =>
              studyValue(text, of.field.unit, currency),
            );
            return (
              <li key={each.id} className="flex flex-wrap gap-x-4 border-b border-line py-1">
                <span className="min-w-[240px] flex-1">
                  {assumptionName(of)}{' '}
                  <span className="text-soft">
                    is {is}; neutral is {would}
                  </span>
                </span>
                <span className={each.by < 0 ? 'text-tide' : 'text-ember-ink'}>
                  {leaningWords(each, currency)}
                </span>
              </li>
            );
          })}
        </ul>
      )}
    </section>
  );
}
