/** A day or a month at so many times the load, by line: what grows, and what holds. */
'use client';
import { useMemo, useState } from 'react';
import { decimal } from '@/core/base';
import type { Fame } from '@/core/curves';
import { writeMoney, writeNumber } from '@/core/display';
import { minorDigits, roundRows } from '@/core/money';
import { useRoom } from '../room';
import { useAsked } from '../use-asked';
import { AlongSelect, SELECT } from './along-select';
import type { LoadAddress } from './load-address';

const TIMES = ['2', '5', '10', '100', '1000'] as const;

interface FameViewProps {
  readonly address: LoadAddress;
  readonly go: (change: Partial<LoadAddress>) => void;
}

export function FameView({ address, go }: FameViewProps) {
  const { state, client } = useRoom();
  const { design } = state;
  const [times, setTimes] = useState<string>('10');
  const [lasts, setLasts] = useState<'day' | 'month'>('day');
  const key = JSON.stringify(address.along);
  const question = useMemo(
    () => ({ ask: 'fame' as const, design, along: JSON.parse(key) as LoadAddress['along'], times, lasts }),
    [design, key, times, lasts],
  );
  const { last, trouble } = useAsked(client, question, 120);
  return (
    <div className="min-h-0 flex-1 overflow-y-auto px-[18px]">
      <p role="status" className="text-base" data-testid="answer">
        {trouble ?? (last ? fameText(last, times, lasts, design.currency) : 'Pricing that month …')}
      </p>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1.5 border-b border-line py-2">
        <label className="flex items-center gap-1.5 text-sm text-soft">
          a
          <select
            value={lasts}
            onChange={(event) => setLasts(event.target.value as 'day' | 'month')}
            className={SELECT}
          >
            <option value="day">day</option>
            <option value="month">month</option>
          </select>
        </label>
        <label className="flex items-center gap-1.5 text-sm text-soft">
          at
          <select value={times} onChange={(event) => setTimes(event.target.value)} className={SELECT}>
            {TIMES.map((each) => (
              <option key={each} value={each}>
                {writeNumber(each)} times
              </option>
            ))}
          </select>
        </label>
        <AlongSelect
          label="the"
          {...{ design }}
          value={address.along}
          onChange={(along) => go({ along, range: null })}
        />
      </div>
      {last && <FameTable fame={last} currency={design.currency} />}
    </div>
  );
}

function fameText({ now, then, rows }: Fame, times: string, lasts: string, currency: string): string {
  const extra = decimal(then).minus(now);
  const moving = rows.filter((row) => row.now !== row.then).length;
  if (moving === 0) return 'Nothing in this design follows it: the month stays as it is.';
  const more = `${writeMoney(extra.abs(), currency)} ${currency} ${extra.isNegative() ? 'less' : 'more'}`;
  const holds = rows.length - moving;
  return `A ${lasts} at ${writeNumber(times)} times costs ${more} in that month: ${moving} ${moving === 1 ? 'line moves' : 'lines move'}, ${holds} ${holds === 1 ? 'holds' : 'hold'}.`;
}

function FameTable({ fame, currency }: { readonly fame: Fame; readonly currency: string }) {
  const priced = fame.rows.filter((row) => row.now !== null && row.then !== null);
  const column = (read: (row: (typeof priced)[number]) => string) =>
    roundRows(
      priced.map((row) => decimal(read(row))),
      minorDigits(currency),
    );
  const [now, then] = [column((row) => row.now!), column((row) => row.then!)];
  const head =
    'border-b border-ink px-2 py-1 text-right text-xs font-medium text-soft first:pl-0 first:text-left';
  const cell = 'border-b border-line px-2 py-1 text-right whitespace-nowrap tabular-nums';
  const all = (rows: typeof now) => rows.reduce((sum, each) => sum.plus(each), decimal('0'));
  return (
    <table className="my-3 w-full text-sm">
      <caption className="mb-1 text-left text-sm font-semibold">
        What does the month cost then, line by line? {currency}
      </caption>
      <thead>
        <tr>
          {['Line', 'as planned', 'then', 'more', 'it'].map((each) => (
            <th key={each} scope="col" className={head}>
              {each}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {priced.map((row, at) => {
          const more = then[at]!.minus(now[at]!);
          return (
            <tr key={row.id}>
              <th
                scope="row"
                className="w-full max-w-0 truncate border-b border-line py-1 text-left font-normal"
                title={row.name}
              >
                {row.name}
              </th>
              <td className={cell}>{writeMoney(now[at]!, currency)}</td>
              <td className={cell}>{writeMoney(then[at]!, currency)}</td>
              <td className={cell}>{writeMoney(more, currency)}</td>
              <td className={`${cell} text-soft`}>{row.now === row.then ? 'holds' : 'moves'}</td>
            </tr>
          );
        })}
        <tr className="font-semibold">
          <th scope="row" className="border-t border-ink py-1 text-left">
            All priced lines
          </th>
          <td className={`${cell} border-t border-t-ink`}>{writeMoney(all(now), currency)}</td>
          <td className={`${cell} border-t border-t-ink`}>{writeMoney(all(then), currency)}</td>
          <td className={`${cell} border-t border-t-ink`}>
            {writeMoney(all(then).minus(all(now)), currency)}
          </td>
          <td className={`${cell} border-t border-t-ink`} />
        </tr>
      </tbody>
    </table>
  );
}
