/** Both sides by kind of cost and year, beside one another; kinds open into their lines, and every figure can be chosen. */
'use client';
import { ChevronRight } from 'lucide-react';
import { Fragment, useState } from 'react';
import { studyKindWords, studyYear } from '@/features/own-or-rent/words';
import { writeMoney } from '@/platform/words';
import type { PlainVariantOutcome, StudyAnswer, TableKind } from '@/features/own-or-rent/calc';
import { Amount } from '@/platform/ui/amount';
import type { AskedFigure } from './figure-margin';

export interface PeriodsProps {
  readonly answer: StudyAnswer;
  readonly figure: AskedFigure | null;
  readonly onFigure: (figure: AskedFigure) => void;
}

const CELL = 'border-b border-line px-2 py-0.5 text-right whitespace-nowrap tabular-nums';
const MONTHS = 12;

export function YearsView({ answer, figure, onFigure }: PeriodsProps) {
  const { variants, own, rent, currency, start, years } = answer;
  const [open, setOpen] = useState<ReadonlySet<TableKind>>(new Set());
  const sides = [own, rent].flatMap((id) => variants.find((each) => each.id === id) ?? []);
  const kinds = [...new Set(sides.flatMap(({ table }) => table.kinds.map(({ kind }) => kind)))];
  const heads = Array.from({ length: years }, (_, year) => studyYear(start, year));
  const toggle = (kind: TableKind): void =>
    setOpen((before) => {
      const next = new Set(before);
      if (!next.delete(kind)) next.add(kind);
      return next;
    });
  return (
    <div>
      <p className="mb-1 text-xs text-soft">{currency}; choose a figure to open it</p>
      <div tabIndex={0} role="region" aria-label="Table of years" className="overflow-x-auto">
        <table className="text-sm" style={{ minWidth: 340 + years * 96 }}>
          <thead>
            <tr className="text-xs text-soft">
              <th scope="col" className="border-b border-ink py-1 pr-2 text-left font-medium">
                Kind
              </th>
              <th scope="col" className="border-b border-ink px-2 py-1 text-left font-medium">
                Side
              </th>
              {heads.map((head) => (
                <th key={head} scope="col" className="border-b border-ink px-2 py-1 text-right font-medium">
                  {head}
                </th>
              ))}
              <th
                scope="col"
                className="border-b border-l border-b-ink border-l-line px-2 py-1 text-right font-medium"
              >
                In all
              </th>
            </tr>
          </thead>
          <tbody>
            {kinds.map((kind) => (
              <Fragment key={kind}>
                {sides.map((side, at) => (
                  <Row
                    key={side.id}
                    {...{ kind, side, figure, onFigure, currency, heads }}
                    isFirst={at === 0}
                    isOpen={open.has(kind)}
                    onToggle={() => toggle(kind)}
                  />
                ))}
              </Fragment>
            ))}
            {sides.map((side, at) => (
              <tr
                key={side.id}
                className={`font-semibold ${at === 0 ? '[&>*]:border-t [&>*]:border-t-ink' : ''}`}
              >
                <th scope="row" className="border-b border-line py-1 pr-2 text-left">
                  {at === 0 ? 'All of it' : <span className="sr-only">All of it</span>}
                </th>
                <td className="border-b border-line px-2 py-1 text-left">{side.name}</td>
                {side.table.years.map((amount, year) => (
                  <td key={year} className={CELL}>
                    <Amount value={amount} currency={currency} />
                  </td>
                ))}
                <td className={`${CELL} border-l border-l-line`}>
                  <span className="double-line">
                    <Amount value={side.table.total} currency={currency} strong />
                  </span>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </div>
  );
}

interface RowProps extends Pick<PeriodsProps, 'figure' | 'onFigure'> {
  readonly kind: TableKind;
  readonly side: PlainVariantOutcome;
  readonly currency: string;
  readonly heads: readonly string[];
  readonly isFirst: boolean;
  readonly isOpen: boolean;
  readonly onToggle: () => void;
}

function Row({ kind, side, currency, heads, isFirst, isOpen, onToggle, figure, onFigure }: RowProps) {
  const row = side.table.kinds.find((each) => each.kind === kind);
  const words = studyKindWords(kind);
  const all = (row?.lines ?? []).map(({ id }) => id);
  const figures = (lines: readonly string[], name: string, amounts: readonly string[], total: string) =>
    [...amounts.map((amount, year) => ({ amount, year })), { amount: total, year: null }].map(
      ({ amount, year }) => {
        const asked: AskedFigure = {
          variant: side.id,
          lines,
          from: year === null ? 0 : year * MONTHS,
          to: (year === null ? heads.length : year + 1) * MONTHS,
          title: `${side.name}: ${name}, ${year === null ? 'in all' : heads[year]}`,
          printed: amount,
          ...(kind === 'worth' && { worth: 'only' as const }),
        };
        return (
          <td
            key={year ?? 'all'}
            className={`${CELL} ${year === null ? 'border-l border-l-line font-semibold' : ''}`}
          >
            <ChosenFigure
              {...{ asked, currency }}
              isChosen={figure?.title === asked.title}
              onChoose={onFigure}
            />
          </td>
        );
      },
    );
  return (
    <>
      <tr>
        <th
          scope="row"
          className={`py-0.5 pr-2 text-left font-medium ${isFirst ? '' : 'border-b border-line'}`}
        >
          {isFirst ? (
            <button
              type="button"
              aria-expanded={isOpen}
              onClick={onToggle}
              className="flex items-center gap-1 rounded hover:bg-wash"
            >
              <ChevronRight
                size={14}
                aria-hidden="true"
                className={`shrink-0 text-soft ${isOpen ? 'rotate-90' : ''}`}
              />
              {words}
            </button>
          ) : (
            <span className="sr-only">{words}</span>
          )}
        </th>
        <td className="max-w-[190px] truncate border-b border-line px-2 py-0.5 text-soft" title={side.name}>
          {side.name}
        </td>
        {row ? (
          figures(all, words, row.years, row.total)
        ) : (
          <td colSpan={heads.length + 1} className={`${CELL} text-soft`}>
            nothing
          </td>
        )}
      </tr>
      {isOpen &&
        row?.lines.map(({ id, name, years, total }) => (
          <tr key={id} className="text-xs text-soft">
            <th
              scope="row"
              colSpan={2}
              className="border-b border-line py-0.5 pr-2 pl-[18px] text-left font-normal"
            >
              {name}
            </th>
            {figures([id], name, years, total)}
          </tr>
        ))}
    </>
  );
}

interface FigureProps {
  readonly asked: AskedFigure;
  readonly currency: string;
  readonly isChosen: boolean;
  readonly onChoose: (figure: AskedFigure) => void;
}

/** An amount that opens into how it adds up. */
export function ChosenFigure({ asked, currency, isChosen, onChoose }: FigureProps) {
  return (
    <button
      type="button"
      aria-pressed={isChosen}
      aria-label={`${asked.title}: ${writeMoney(asked.printed, currency)} ${currency}`}
      onClick={() => onChoose(asked)}
      className={`rounded px-1 hover:bg-wash ${isChosen ? 'bg-wash outline-1 outline-brand' : ''}`}
    >
      <Amount value={asked.printed} currency={currency} />
    </button>
  );
}
