/** The months of a design: each as it compares and as cash, with quarters, years and the whole. */
'use client';
import { useMemo, useState } from 'react';
import type { Design } from '@/engine/design';
import { writeMoney } from '@/platform/words';
import { DEFAULT_HORIZON } from '@/engine/analysis';
import type { PricingClient } from '@/features/design/worker/client';
import type { MonthsAnswer, PlainMonth } from '@/features/design/worker/protocol';
import { useAsked } from '../use-asked';

const HORIZONS: readonly number[] = [12, 24, 36, 60];

export function Months({
  design,
  client,
}: {
  readonly design: Design;
  readonly client: PricingClient | null;
}) {
  // The design's own, until somebody looks at another.
  const own = design.assumptions.horizon ?? DEFAULT_HORIZON;
  const [looked, setLooked] = useState<number | null>(null);
  const horizon = looked ?? own;
  const choices = [...new Set([...HORIZONS, own])].sort((a, b) => a - b);
  const [by, setBy] = useState<'rows' | 'quarters' | 'years'>('years');
  const question = useMemo(() => ({ ask: 'months' as const, design, horizon }), [design, horizon]);
  const { now, last } = useAsked(client, question);
  const select = (
    label: string,
    value: string | number,
    options: readonly (readonly [string | number, string])[],
    set: (value: string) => void,
  ) => (
    <label className="flex items-center gap-1.5 text-xs text-soft">
      {label}
      <select
        value={value}
        onChange={(event) => set(event.target.value)}
        className="h-6 rounded border border-edge bg-surface px-1 text-xs text-ink"
      >
        {options.map(([key, text]) => (
          <option key={key} value={key}>
            {text}
          </option>
        ))}
      </select>
    </label>
  );
  return (
    <div>
      <div className="flex items-center gap-3">
        {select(
          'over',
          horizon,
          choices.map((each) => [each, `${each} months`]),
          (value) => setLooked(Number(value)),
        )}
        {select(
          'by',
          by,
          [
            ['rows', 'month'],
            ['quarters', 'quarter'],
            ['years', 'year'],
          ],
          (value) => setBy(value as typeof by),
        )}
        <span role="status" className="text-xs text-soft">
          {now ? '' : 'pricing …'}
        </span>
      </div>
      {last && <Table answer={last} by={by} currency={design.currency} />}
    </div>
  );
}

function Table({
  answer,
  by,
  currency,
}: {
  readonly answer: MonthsAnswer;
  readonly by: 'rows' | 'quarters' | 'years';
  readonly currency: string;
}) {
  const word = { rows: 'Month', quarters: 'Quarter', years: 'Year' }[by];
  const line = (label: string, each: PlainMonth, isTotal = false) => (
    <tr key={label} className={isTotal ? 'border-t border-ink font-semibold' : 'border-b border-line'}>
      <th scope="row" className={`py-0.5 text-left ${isTotal ? 'font-semibold' : 'font-normal'}`}>
        {label}
      </th>
      <td className="py-0.5 text-right tabular-nums">{writeMoney(each.monthly, currency)}</td>
      <td className="py-0.5 text-right tabular-nums">{writeMoney(each.cash, currency)}</td>
    </tr>
  );
  return (
    <table className="mt-1 w-full text-sm">
      <thead>
        <tr className="border-b border-ink text-xs text-soft">
          <th scope="col" className="text-left font-normal">
            {currency}
          </th>
          <th scope="col" className="text-right font-normal">
            spread
          </th>
          <th scope="col" className="text-right font-normal">
            cash
          </th>
        </tr>
      </thead>
      <tbody>
        {answer[by].map((each, at) => line(each.calendar ?? `${word} ${at + 1}`, each))}
        {line('All of it', answer.whole, true)}
      </tbody>
    </table>
  );
}
