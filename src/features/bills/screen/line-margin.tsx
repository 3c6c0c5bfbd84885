/** A line of the bill in the margin: its sentence, the steps of its difference, where it closes, and its rows of the file. */
'use client';
import { useState } from 'react';
import { type BillLine, closeSentence, largestSentence, varianceSentence } from '@/features/bills/words';
import { writeMoney } from '@/platform/words';
import type { BillRows } from '@/features/bills/use/bills';
import type { BillRowShown } from '@/features/bills/use/bill-ports';
import type { BillView } from '@/features/bills/use/bill-view';
import { Button } from '@/platform/ui/button';
import { callApi } from '@/platform/screen/call-api';
import { Trouble } from '@/platform/screen/trouble';
import { shortQuantity } from './bill-columns';
import { LineNote } from './line-note';
import { StepsTable } from './steps-table';

interface LineMarginProps {
  readonly line: BillLine;
  readonly view: BillView;
}

const MOST_THINGS = 2000;

export function LineMargin({ line, view }: LineMarginProps) {
  const { currency } = view.laid;
  const things = thingsOf(line, view);
  const sentence =
    line.level === 'meter' ? largestSentence([line, ...parentsOf(line, view)], currency) : null;
  return (
    <>
      <h2 className="pr-8 text-base font-semibold break-words">{line.name}</h2>
      <p className="mt-1 text-sm">{sentence ?? varianceSentence(line.variance, currency, line.difference)}</p>
      {line.close && <p className="mt-2 text-sm">{closeSentence(line.close, currency)}</p>}
      <h3 className="mt-4 border-b border-ink pb-1 text-sm font-semibold">What made the difference?</h3>
      <StepsTable variance={line.variance} soFar={line.soFar} billed={line.billed} currency={currency} />
      <LineNote view={view} line={line.key} />
      {things.length > 0 && things.length <= MOST_THINGS && (
        <Rows bill={view.bill.id} things={things} currency={currency} />
      )}
    </>
  );
}

function thingsOf(line: BillLine, { laid }: BillView): readonly number[] {
  if (line.level === 'meter') return line.things;
  const own = laid.sections
    .filter(({ id }) => line.key === id || line.key.startsWith(`${id}/`))
    .flatMap(({ components }) => components)
    .filter(({ id }) => line.level === 'section' || id === line.id);
  return [...new Set(own.flatMap(({ meters }) => meters.flatMap((meter) => meter.things)))];
}

/** The line above, so that a sentence can name it. */
function parentsOf(line: BillLine, { laid }: BillView): BillLine[] {
  const name = laid.sections
    .flatMap(({ id, components }) =>
      components.map((component) => ({ key: `${id}/${component.id}`, name: component.name })),
    )
    .find(({ key }) => key === line.parent)?.name;
  return name === undefined ? [] : [{ ...line, key: line.parent!, level: 'component', name }];
}

interface RowsProps {
  readonly bill: string;
  readonly things: readonly number[];
  readonly currency: string;
}

function Rows({ bill, things, currency }: RowsProps) {
  const [rows, setRows] = useState<readonly BillRowShown[] | null>(null);
  const [hasMore, setMore] = useState(true);
  const [trouble, setTrouble] = useState<string | null>(null);
  const look = async (): Promise<void> => {
    setTrouble(null);
    const after = rows?.at(-1)?.line ?? 0;
    try {
      const next = await callApi<BillRows>(
        `/api/bills/${bill}/rows?things=${things.join(',')}&after=${after}`,
      );
      setRows([...(rows ?? []), ...next.rows]);
      setMore(next.hasMore);
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : 'That did not work. Try again.');
    }
  };
  return (
    <section aria-label="Rows of the file" className="mt-4">
      <h3 className="border-b border-ink pb-1 text-sm font-semibold">Rows of the file</h3>
      <Trouble trouble={trouble} again={() => void look()} />
      {rows && (
        <table className="w-full text-xs tabular-nums">
          <thead>
            <tr className="border-b border-line text-left text-soft">
              <th className="py-1 font-normal">Row</th>
              <th className="py-1 font-normal">Day</th>
              <th className="py-1 text-right font-normal">Quantity</th>
              <th className="py-1 text-right font-normal">Effective</th>
              <th className="py-1 text-right font-normal">Billed</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ line, day, quantity, effective, billed }) => (
              <tr key={line} className="border-b border-line">
                <td className="py-0.5 text-soft">{line}</td>
                <td className="py-0.5">{day.slice(5)}</td>
                <td className="py-0.5 text-right">{quantity === null ? '–' : shortQuantity(quantity)}</td>
                <td className="py-0.5 text-right">{writeMoney(effective, currency)}</td>
                <td className="py-0.5 text-right">{writeMoney(billed, currency)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {hasMore && (
        <div className="mt-2">
          <Button onClick={() => void look()}>{rows ? 'More rows' : 'Show the rows'}</Button>
        </div>
      )}
    </section>
  );
}
