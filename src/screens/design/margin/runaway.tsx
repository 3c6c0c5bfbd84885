/** What a month would cost if nothing stopped the traffic: a figure to cap, or to be told of. */
'use client';
import { useMemo, useState } from 'react';
import { addAll, Decimal } from '@/core/base';
import { type Design, findComponent } from '@/core/design';
import { writeMoney, writeNumber } from '@/core/display';
import { minorDigits, roundRows } from '@/core/money';
import type { PricingClient } from '@/workers/client';
import type { RunawayAnswer } from '@/workers/protocol';
import { useAsked } from '../use-asked';

const TIMES = ['2', '10', '100', '1000'] as const;
const SHOWN = 6;

export function Runaway({
  design,
  client,
}: {
  readonly design: Design;
  readonly client: PricingClient | null;
}) {
  const [times, setTimes] = useState<string>('100');
  const [open, setOpen] = useState(false);
  const question = useMemo(
    () => (open ? ({ ask: 'runaway', design, times } as const) : null),
    [design, open, times],
  );
  const { last: answer } = useAsked(client, question);
  return (
    <details open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="cursor-pointer text-sm font-medium">If nothing stopped the traffic</summary>
      <label className="mt-1.5 flex items-center gap-1.5 text-xs text-soft">
        a month with
        <select
          value={times}
          aria-label="Times the traffic"
          onChange={(event) => setTimes(event.target.value)}
          className="h-6 rounded border border-edge bg-surface px-1 text-xs text-ink"
        >
          {TIMES.map((each) => (
            <option key={each} value={each}>
              {writeNumber(each)} times
            </option>
          ))}
        </select>
        the traffic
      </label>
      {!answer && <p className="mt-1 text-xs text-soft">Pricing that month …</p>}
      {answer && <Rows answer={answer} design={design} />}
    </details>
  );
}

function Rows({ answer, design }: { readonly answer: RunawayAnswer; readonly design: Design }) {
  const { currency } = design;
  if (answer.rows.length === 0) {
    return <p className="mt-1 text-xs text-soft">Nothing in this design follows traffic.</p>;
  }
  const extras = answer.rows.map((row) => new Decimal(row.then).minus(row.now));
  const rest = answer.rows.length - SHOWN;
  const named = answer.rows
    .slice(0, SHOWN)
    .map((row, at) => [findComponent(design, row.id)?.name ?? row.id, extras[at]!] as const);
  const rows = rest > 0 ? [...named, [`${rest} more lines`, addAll(extras.slice(SHOWN))] as const] : named;
  // What is printed adds up to the printed total.
  const printed = roundRows(
    rows.map(([, amount]) => amount),
    minorDigits(currency),
  );
  return (
    <>
      <table className="mt-1 w-full text-sm">
        <caption className="text-left text-xs text-soft">More than planned, {currency} a month</caption>
        <tbody>
          {rows.map(([name], at) => (
            <tr key={at} className="border-b border-line">
              <th scope="row" className="w-full max-w-0 truncate py-0.5 pr-2 text-left font-normal">
                {name}
              </th>
              <td className="py-0.5 text-right whitespace-nowrap tabular-nums">
                {writeMoney(printed[at]!.toString(), currency)}
              </td>
            </tr>
          ))}
          <tr className="border-t border-ink font-semibold">
            <th scope="row" className="py-0.5 text-left font-semibold">
              All of it
            </th>
            <td className="py-0.5 text-right whitespace-nowrap tabular-nums">
              {writeMoney(addAll(printed).toString(), currency)}
            </td>
          </tr>
        </tbody>
      </table>
      <p className="mt-1 text-xs text-soft">
        A day of it costs about{' '}
        {writeMoney(new Decimal(answer.then).times(24).dividedBy(730).toString(), currency)} {currency}. Cap
        what can be capped, and set an alarm below what you could bear.
      </p>
    </>
  );
}
