/** A day or a month at so many times the load, by line: what grows, and what holds. */
'use client';
import { useMemo } from 'react';
import { fameTable } from '@/features/load/words';
import { writeNumber } from '@/platform/words';
import { writeAlong } from '@/features/load/format/along-text';
import { flatTableCsv } from '@/platform/formats/flat-table-csv';
import { Button } from '@/platform/ui/button';
import { FlatRows } from '@/platform/screen/flat-rows';
import { useRoom } from '@/features/design/screen/room';
import { saveText } from '@/platform/screen/save-text';
import { useAsked } from '@/features/design/screen/use-asked';
import { useAskedFor } from '@/features/design/screen/use-asked-for';
import { AlongSelect, SELECT } from './along-select';
import type { LoadAddress } from './load-address';

const TIMES = ['2', '5', '10', '100', '1000'] as const;

interface FameViewProps {
  readonly address: LoadAddress;
}

export function FameView({ address }: FameViewProps) {
  const { state, client } = useRoom();
  const { design } = state;
  const { get, set } = useAskedFor();
  const times: string = TIMES.find((each) => each === get('times')) ?? '10';
  const lasts: 'day' | 'month' = get('lasts') === 'month' ? 'month' : 'day';
  const key = JSON.stringify(address.along);
  const question = useMemo(
    () => ({ ask: 'fame' as const, design, along: JSON.parse(key) as LoadAddress['along'], times, lasts }),
    [design, key, times, lasts],
  );
  const { last, trouble } = useAsked(client, question, 120);
  const table = last && fameTable(last, { times, lasts, currency: design.currency });
  return (
    <div className="min-h-0 flex-1 overflow-y-auto px-[18px]">
      <p role="status" className="text-base" data-testid="answer">
        {trouble ?? table?.answer ?? 'Pricing that month …'}
      </p>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1.5 border-b border-line py-2">
        <label className="flex items-center gap-1.5 text-sm text-soft">
          a
          <select value={lasts} onChange={(event) => set({ lasts: event.target.value })} className={SELECT}>
            <option value="day">day</option>
            <option value="month">month</option>
          </select>
        </label>
        <label className="flex items-center gap-1.5 text-sm text-soft">
          at
          <select value={times} onChange={(event) => set({ times: event.target.value })} className={SELECT}>
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
          onChange={(along) => set({ along: writeAlong(along), range: null })}
        />
      </div>
      {table && (
        <div className="py-3">
          <h2 className="flex items-center text-sm font-semibold">
            What does the month cost then, line by line? {design.currency}
            <Button
              tone="bare"
              className="ml-auto"
              onClick={() => saveText(flatTableCsv(table), `${design.title}, sudden fame.csv`, 'text/csv')}
            >
              CSV
            </Button>
          </h2>
          <FlatRows table={table} />
          {table.notes.map(({ title, lines }) => (
            <p key={title} className="mt-1 text-sm font-semibold text-ember-ink">
              {title}: {lines.join(' ')}
            </p>
          ))}
        </div>
      )}
    </div>
  );
}
