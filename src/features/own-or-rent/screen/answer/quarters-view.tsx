/** Both sides quarter by quarter, each year with its sum; every amount of a side can be chosen. */
'use client';
import { Fragment } from 'react';
import { studyQuarters, studyYear } from '@/features/own-or-rent/words';
import { writeMoney } from '@/platform/words';
import { decimal } from '@/engine/base';
import type { PlainVariantOutcome } from '@/features/own-or-rent/calc';
import { Amount } from '@/platform/ui/amount';
import type { AskedFigure } from './figure-margin';
import { ChosenFigure, type PeriodsProps } from './years-view';

const HEAD = 'border-b border-ink py-1 text-xs font-medium text-soft';
const CELL = 'border-b border-line px-2 py-0.5 text-right whitespace-nowrap tabular-nums';
const A_YEAR = 4;
const MONTHS = 12;

export function QuartersView({ answer, figure, onFigure }: PeriodsProps) {
  const { variants, own, rent, currency, start } = answer;
  const quarters = studyQuarters(answer);
  const sides = [own, rent].flatMap((id) => variants.find((each) => each.id === id) ?? []);
  const signed = (amount: string): string =>
    `${amount.startsWith('-') || Number(amount) === 0 ? '' : '+'}${writeMoney(amount, currency)}`;
  const amounts = (
    name: string,
    from: number,
    to: number,
    printed: readonly [string, string],
    soFar: string,
  ) => (
    <>
      {sides.map((side, at) => (
        <td key={side.id} className={CELL}>
          <ChosenFigure
            asked={askedOf(side, name, from, to, printed[at]!)}
            currency={currency}
            isChosen={figure?.title === `${side.name}: ${name}`}
            onChoose={onFigure}
          />
        </td>
      ))}
      <td className={CELL}>{signed(decimal(printed[1]).minus(printed[0]).toString())}</td>
      <td className={CELL}>{signed(soFar)}</td>
    </>
  );
  return (
    <div>
      <p className="mb-1 text-xs text-soft">{currency}; choose a figure to open it</p>
      <div tabIndex={0} role="region" aria-label="Table of quarters" className="overflow-x-auto">
        <table className="min-w-[620px] text-sm">
          <thead>
            <tr>
              <th scope="col" className={`${HEAD} pr-4 text-left`}>
                Quarter
              </th>
              {sides.map(({ id, name }) => (
                <th
                  key={id}
                  scope="col"
                  title={name}
                  className={`${HEAD} max-w-[190px] truncate px-2 text-right`}
                >
                  {name}
                </th>
              ))}
              <th scope="col" className={`${HEAD} px-2 text-right`}>
                Renting more
              </th>
              <th scope="col" className={`${HEAD} px-2 text-right`}>
                More so far
              </th>
            </tr>
          </thead>
          <tbody>
            {quarters.map(({ name, from, to, own: a, rent: b, soFar }, at) => (
              <Fragment key={name}>
                <tr>
                  <th scope="row" className="border-b border-line py-0.5 pr-4 text-left font-normal">
                    {name}
                  </th>
                  {amounts(name, from, to, [a, b], soFar)}
                </tr>
                {(at + 1) % A_YEAR === 0 && (
                  <tr className="bg-wash font-semibold">
                    <th scope="row" className="border-b border-line py-1 pr-4 text-left">
                      {studyYear(start, yearAt(at))}
                    </th>
                    {amounts(
                      studyYear(start, yearAt(at)),
                      yearAt(at) * MONTHS,
                      (yearAt(at) + 1) * MONTHS,
                      [sides[0]!.table.years[yearAt(at)]!, sides[1]!.table.years[yearAt(at)]!],
                      soFar,
                    )}
                  </tr>
                )}
              </Fragment>
            ))}
            <tr className="font-semibold">
              <th scope="row" className="border-b border-line py-1 pr-4 text-left">
                All of it
              </th>
              {sides.map((side) => (
                <td key={side.id} className={CELL}>
                  <span className="double-line">
                    <Amount value={side.table.total} currency={currency} strong />
                  </span>
                </td>
              ))}
              <td className={CELL}>{signed(answer.more ?? '0')}</td>
              <td className={CELL} />
            </tr>
          </tbody>
        </table>
      </div>
    </div>
  );
}

const yearAt = (quarter: number): number => Math.floor(quarter / A_YEAR);

/** Every line of a side from a month until before another; what things are worth stands in the last. */
function askedOf(
  side: PlainVariantOutcome,
  name: string,
  from: number,
  to: number,
  printed: string,
): AskedFigure {
  const { kinds, years } = side.table;
  const hasWorth = kinds.some(({ kind }) => kind === 'worth') && to === years.length * MONTHS;
  const lines = kinds.flatMap((kind) => kind.lines);
  return {
    variant: side.id,
    lines: [...new Set(lines.map(({ id }) => id))],
    from,
    to,
    title: `${side.name}: ${name}`,
    printed,
    ...(hasWorth && { worth: 'too' as const }),
  };
}
