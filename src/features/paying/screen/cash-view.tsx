/** What leaves the account against what compares, over the horizon, for the design and its alternatives, with what happens when. */
'use client';
import { useMemo, useState } from 'react';
import { decimal } from '@/engine/base';
import { DEFAULT_HORIZON } from '@/engine/analysis';
import { cashTable } from '@/features/paying/words';
import { writeMoney } from '@/platform/words';
import { flatTableCsv } from '@/platform/formats/flat-table-csv';
import { Button } from '@/platform/ui/button';
import { CurveChart } from '@/platform/ui/curve-chart';
import type { CashSide, PlainMonth } from '@/features/design/worker/protocol';
import { FlatRows } from '@/platform/screen/flat-rows';
import { SELECT } from '@/features/load/screen/along-select';
import { BesideTicks } from '@/features/load/screen/beside-ticks';
import { useRoom } from '@/features/design/screen/room';
import { saveText } from '@/platform/screen/save-text';
import { useAsked } from '@/features/design/screen/use-asked';

const HORIZONS = [12, 24, 36, 60] as const;
/** So many events have their word on the chart; all of them stand below it. */
const MARKED = 6;

export function CashView() {
  const { state, client } = useRoom();
  const { design } = state;
  const own = design.assumptions.horizon ?? DEFAULT_HORIZON;
  const [horizon, setHorizon] = useState<number>(own);
  const [sides, setSides] = useState<readonly string[]>([]);
  const question = useMemo(
    () => ({ ask: 'cash' as const, design, horizon, sides }),
    [design, horizon, sides],
  );
  const { last, trouble } = useAsked(client, question, 120);
  const { currency } = design;
  const says = trouble ?? (last ? cashText(last, currency) : 'Pricing each month …');
  const table =
    last &&
    cashTable(
      last.map(({ name, months, events }) => ({ name, quarters: months.quarters, events })),
      currency,
      says,
    );
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
            className={SELECT}
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
        <BesideTicks design={design} beside={sides} onChange={setSides} />
      </div>
      {last && table && (
        <div className="space-y-4 px-[18px] py-3">
          <div>
            <h2 className="flex items-center text-sm font-semibold">
              What leaves when, and what does it compare as?
              <Button
                tone="bare"
                className="ml-auto"
                onClick={() => saveText(flatTableCsv(table), `${design.title}, cash.csv`, 'text/csv')}
              >
                CSV
              </Button>
            </h2>
            <CurveChart
              label={`What leaves when, and what does it compare as? ${says}`}
              lines={last.flatMap(linesOf)}
              x={{ title: 'month', from: 1, to: horizon + 1, scale: 'linear' }}
              y={{ title: `${currency} a month`, scale: 'linear' }}
              places={placesOf(last[0]!)}
              stepped
              file={`${design.title}, cash`}
            />
          </div>
          <div>
            <h2 className="text-sm font-semibold">By quarter, {currency}</h2>
            <FlatRows table={table} />
          </div>
          {table.notes.map(({ title, lines }) => (
            <div key={title}>
              <h2 className="text-sm font-semibold">{title}</h2>
              <ul className="mt-1 text-sm text-soft">
                {lines.map((line, at) => (
                  <li key={at} className="break-words">
                    {line}
                  </li>
                ))}
              </ul>
            </div>
          ))}
        </div>
      )}
    </div>
  );
}

function cashText([own, ...others]: readonly CashSide[], currency: string): string {
  const { rows, whole } = own!.months;
  const money = (amount: string): string => writeMoney(amount, currency);
  const alike = rows.every(({ cash, monthly }) => decimal(cash).minus(monthly).abs().lessThan('0.005'));
  const first = alike
    ? `What leaves the account is what compares, in every month: ${money(whole.cash)} ${currency} in ${rows.length} months.`
    : `${money(whole.cash)} ${currency} leave the account in ${rows.length} months; spread over their terms they compare as ${money(whole.monthly)}. The dearest is ${dearest(rows, money)}.`;
  const beside = others.map(({ name, months }) => ` With “${name}” ${money(months.whole.cash)} leave.`);
  return `${first}${beside.join('')}`;
}

function dearest(rows: readonly PlainMonth[], money: (amount: string) => string): string {
  const most = rows.reduce(
    (best, row, at) => (decimal(row.cash).greaterThan(rows[best]!.cash) ? at : best),
    0,
  );
  return `month ${most + 1} with ${money(rows[most]!.cash)}`;
}

/** Where nothing is paid ahead the two are one line. */
function linesOf({ name, months }: CashSide, _at: number, all: readonly CashSide[]) {
  const alone = all.length === 1;
  const alike = months.rows.every(({ cash, monthly }) => cash === monthly);
  const leaves = {
    name: alone ? 'leaves the account' : `${name}: leaves`,
    points: pointsOf(months.rows, ({ cash }) => cash),
  };
  if (alike && !alone) return [leaves];
  const spread = {
    name: alone ? 'spread over its term' : `${name}: spread`,
    points: pointsOf(months.rows, ({ monthly }) => monthly),
  };
  return [leaves, spread];
}

function placesOf({ events }: CashSide) {
  const later = events.filter(({ month }) => month > 1);
  const months = [...new Set(later.map(({ month }) => month))].slice(0, MARKED);
  return months.map((month) => {
    const here = later.filter((each) => each.month === month);
    const word = here.some(({ what }) => what === 'renewed')
      ? 'renewed'
      : here.some(({ what }) => what === 'allowance-ends')
        ? 'included ends'
        : here.some(({ what }) => what === 'begins' || what === 'paid-ahead')
          ? 'begins'
          : 'ends';
    return { at: month, label: word };
  });
}

function pointsOf(rows: readonly PlainMonth[], read: (row: PlainMonth) => string) {
  const points = rows.map((row, at) => [at + 1, Number(read(row))] as const);
  const last = points[points.length - 1];
  return last ? [...points, [rows.length + 1, last[1]] as const] : points;
}
