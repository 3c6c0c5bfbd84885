/** How sure the answer is: thousands of draws of everything that has a range, and where the spread comes from. */
'use client';
import { useMemo } from 'react';
import { assumptionName, studySentence } from '@/features/own-or-rent/words';
import { writeMoney, writeNumber, writeShare } from '@/platform/words';
import { STUDY_DRAWS } from '@/features/own-or-rent/calc';
import { Trouble } from '@/platform/screen/trouble';
import { Working } from '@/platform/screen/working';
import { useStudy, useStudyAsked } from '../study-context';

export const signedMoney = (value: number, currency: string): string =>
  `${value > 0 ? '+' : value < 0 ? '\u2212' : ''}${writeMoney(Math.abs(value).toFixed(2), currency)}`;

export function DrawsView() {
  const { study, assumptions, answer } = useStudy();
  const question = useMemo(() => ({ ask: 'draws' as const, study, ...STUDY_DRAWS }), [study]);
  const { answer: draws, isWaiting, progress, stop, trouble, again } = useStudyAsked(question);
  const { currency } = study;
  const names = new Map(assumptions.map((each) => [each.id, each]));
  return (
    <section aria-label="Draws" className="mt-6 max-w-[880px]">
      <h2 className="text-sm font-semibold">How sure is it?</h2>
      <Trouble trouble={trouble} again={again} />
      {isWaiting && <Working progress={progress} words="Drawing" onStop={stop} />}
      {draws && answer.answer && (
        <>
          <p className="text-sm" data-testid="draws">
            {studySentence(answer.answer, draws)} Renting costs less in {writeShare(String(draws.rentWins))}{' '}
            of {writeNumber(String(draws.done))} draws.
          </p>
          <dl className="mt-1 flex flex-wrap gap-x-8 text-sm">
            {(['p10', 'p50', 'p90'] as const).map((which) => (
              <div key={which}>
                <dt className="text-xs text-soft">{which.toUpperCase()}, renting costs more by</dt>
                <dd className="tabular-nums">
                  {signedMoney(draws[which], currency)} {currency}
                </dd>
              </div>
            ))}
          </dl>
          <p className="mt-2 text-xs text-soft">Where the spread comes from (squared rank correlation)</p>
          <ul className="text-sm">
            {draws.drivers.slice(0, 6).map(({ id, share, falls }) => {
              const of = names.get(id);
              return (
                of && (
                  <li
                    key={id}
                    className="flex max-w-[560px] justify-between gap-4 border-b border-line py-0.5"
                  >
                    <span>
                      {assumptionName(of)}{' '}
                      <span className="text-soft">
                        {falls ? 'more of it favours renting' : 'more of it favours owning'}
                      </span>
                    </span>
                    <span className="tabular-nums">{writeShare(String(share))}</span>
                  </li>
                )
              );
            })}
          </ul>
          {draws.drivers.length === 0 && (
            <p className="text-sm text-soft">No assumption has a range yet: type one as 3 / 4 / 6.</p>
          )}
        </>
      )}
    </section>
  );
}
