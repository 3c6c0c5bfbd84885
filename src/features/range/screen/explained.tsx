/** What explains the spread: each input's share of the variance, ranked, and what measuring it would do. */
'use client';
import { useMemo } from 'react';
import type { Design } from '@/engine/design';
import { decimal } from '@/engine/base';
import { effectsSentence } from '@/features/range/words';
import { writeMoney, writeNumber, writeShare } from '@/platform/words';
import { useRoom } from '@/features/design/screen/room';
import { useAsked } from '@/features/design/screen/use-asked';
import { CELL, HEAD, NUMBER } from '@/features/design/screen/table-looks';

interface ExplainedProps {
  readonly design: Design;
  readonly seed: string;
  readonly draws: number;
  readonly currency: string;
}

const SHOWN = 15;

export function Explained({ design, seed, draws, currency }: ExplainedProps) {
  const { client } = useRoom();
  const question = useMemo(() => ({ ask: 'effects' as const, design, seed, draws }), [design, seed, draws]);
  const { last, trouble } = useAsked(client, question);
  const share = (value: number): string => writeShare(decimal(Number(value.toPrecision(3))));
  const money = (value: number): string => writeMoney(decimal(value), currency);
  return (
    <section aria-label="What explains the spread" tabIndex={0} className="overflow-x-auto">
      <h2 className="text-sm font-semibold">What explains the spread, and what to measure first?</h2>
      <p className="mt-0.5 max-w-[760px] text-sm">
        {trouble ?? (last ? effectsSentence(last, currency) : 'Working out what explains it …')}
      </p>
      {last && last.effects.length > 0 && (
        <>
          <table className="mt-2 w-full text-sm">
            <thead>
              <tr>
                {['Input', '', 'alone', 'in all', `${currency} of deviation`, 'P10 to P90 then'].map(
                  (each, at) => (
                    <th
                      key={`${at}${each}`}
                      scope="col"
                      className={`${HEAD} ${at === 0 ? 'text-left' : 'text-right'}`}
                    >
                      {each || <span className="sr-only">Drawn</span>}
                    </th>
                  ),
                )}
              </tr>
            </thead>
            <tbody>
              {last.effects.slice(0, SHOWN).map((each) => (
                <tr key={each.label}>
                  <th scope="row" className={`${CELL} text-left font-normal`}>
                    {each.label}
                  </th>
                  <td className={`${CELL} w-[120px]`} aria-hidden="true">
                    <div className="h-2 bg-wash">
                      <div
                        className="h-2 bg-brand"
                        style={{ width: `${Math.min(100, each.first * 100)}%` }}
                      />
                    </div>
                  </td>
                  <td className={NUMBER}>{share(each.first)}</td>
                  <td className={NUMBER}>{share(each.total)}</td>
                  <td className={NUMBER}>{money(each.money)}</td>
                  <td className={NUMBER}>{money(each.widthThen)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="mt-1 text-xs text-soft">
            {last.effects.length > SHOWN && `${last.effects.length - SHOWN} more inputs explain less. `}
            Shares of the variance, {last.method}, from {writeNumber(String(last.base))} pairs of draws; the
            sum of “alone” is below 100 % where inputs act on each other.
          </p>
        </>
      )}
    </section>
  );
}
