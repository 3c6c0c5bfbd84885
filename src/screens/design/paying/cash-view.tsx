/** What leaves the account against what compares, month by month over the horizon: chart and table by quarter. */
'use client';
import { useMemo, useState } from 'react';
import { decimal } from '@/core/base';
import { DEFAULT_HORIZON } from '@/core/analysis';
import { writeMoney } from '@/core/display';
import type { PlainMonth } from '@/workers/protocol';
import { CurveChart } from '@/ui/curve-chart';
import { useRoom } from '../room';
import { CELL, HEAD, NUMBER } from '../table-looks';
import { useAsked } from '../use-asked';

const HORIZONS = [12, 24, 36, 60] as const;

export function CashView() {
  const { state, client } = useRoom();
  const { design } = state;
  const own = design.assumptions.horizon ?? DEFAULT_HORIZON;
  const [horizon, setHorizon] = useState<number>(own);
  const question = useMemo(() => ({ ask: 'months' as const, design, horizon }), [design, horizon]);
  const { last } = useAsked(client, question, 120);
  const { currency } = design;
  const money = (amount: string): string => writeMoney(amount, currency);
  const alike =
    last?.rows.every(({ cash, monthly }) => decimal(cash).minus(monthly).abs().lessThan('0.005')) ?? false;
  const says = !last
    ? 'Pricing each month …'
    : alike
      ? `What leaves the account is what compares, in every month: ${money(last.whole.cash)} ${currency} in ${last.rows.length} months.`
      : `${money(last.whole.cash)} ${currency} leave the account in ${last.rows.length} months; spread over their terms they compare as ${money(last.whole.monthly)}. The dearest is ${dearest(last.rows)}.`;
  return (
    <div className="min-h-0 flex-1 overflow-y-auto">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1.5 border-b border-line px-[18px] pb-2">
        <p role="status" className="w-full pr-4 text-base" data-testid="answer">
          {says}
        </p>
        <label className="flex items-center gap-1.5 text-sm text-soft">
          over
          <select
            value={horizon}
            onChange={(event) => setHorizon(Number(event.target.value))}
            className="h-7 rounded border border-edge bg-surface px-1.5 text-sm text-ink"
          >
            {[...new Set([...HORIZONS, own])]
              .sort((a, b) => a - b)
              .map((each) => (
                <option key={each} value={each}>
                  {each} months
                </option>
              ))}
          </select>
        </label>
      </div>
      {last && (
        <div className="space-y-4 px-[18px] py-3">
          <div>
            <h2 className="text-sm font-semibold">What leaves when, and what does it compare as?</h2>
            <CurveChart
              label={`What leaves when, and what does it compare as? ${says}`}
              lines={[
                { name: 'leaves the account', points: pointsOf(last.rows, ({ cash }) => cash) },
                { name: 'spread over its term', points: pointsOf(last.rows, ({ monthly }) => monthly) },
              ]}
              x={{ title: 'month', from: 1, to: last.rows.length + 1, scale: 'linear' }}
              y={{ title: `${currency} a month`, scale: 'linear' }}
              stepped
              file={`${design.title}, cash`}
            />
          </div>
          <table className="w-full text-sm">
            <caption className="mb-1 text-left text-sm font-semibold">By quarter, {currency}</caption>
            <thead>
              <tr>
                {['Quarter', 'leaves', 'compares as', 'left since the beginning'].map((each, at) => (
                  <th key={each} scope="col" className={`${HEAD} ${at === 0 ? 'text-left' : 'text-right'}`}>
                    {each}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {last.quarters.map((quarter, at) => {
                const left = last.quarters
                  .slice(0, at + 1)
                  .reduce((sum, { cash }) => sum.plus(cash), decimal('0'))
                  .toString();
                return (
                  <tr key={at}>
                    <th scope="row" className={`${CELL} text-left font-normal`}>
                      {at + 1}
                    </th>
                    <td className={NUMBER}>{money(quarter.cash)}</td>
                    <td className={NUMBER}>{money(quarter.monthly)}</td>
                    <td className={NUMBER}>{money(left)}</td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        </div>
      )}
    </div>
  );

  function dearest(rows: readonly PlainMonth[]): string {
    const most = rows.reduce(
      (best, row, at) => (decimal(row.cash).greaterThan(rows[best]!.cash) ? at : best),
      0,
    );
    return `month ${most + 1} with ${money(rows[most]!.cash)}`;
  }
}

function pointsOf(rows: readonly PlainMonth[], read: (row: PlainMonth) => string) {
  const points = rows.map((row, at) => [at + 1, Number(read(row))] as const);
  const last = points[points.length - 1];
  return last ? [...points, [rows.length + 1, last[1]] as const] : points;
}
