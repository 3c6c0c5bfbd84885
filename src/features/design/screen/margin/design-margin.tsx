/** The margin of the design itself: description, assumptions, price books, how the total adds up. */
'use client';
import { useState } from 'react';
import type { Design, Edit } from '@/engine/design';
import type { DesignSummary } from '@/engine/summary';
import type { AmountsBefore } from '@/stores/ports';
import { parseDecimal } from '@/engine/base';
import { sentenceFor } from '@/platform/words';
import type { MonthConvention } from '@/engine/time';
import { Button } from '@/platform/ui/button';
import { Field } from '@/platform/ui/field';
import { TextEntry } from '@/platform/ui/text-entry';
import type { PricingClient } from '@/features/design/worker/client';
import { callApi } from '@/platform/screen/call-api';
import { type BookInfo, residencesOf } from '../book-list';
import { AddsUp } from './adds-up';
import { Agreements } from './agreements';
import { CalculatedAnew } from './calculated-anew';
import { CaseFigures } from './case-figures';
import { FaultyEntries } from './faulty-entries';
import { Months } from './months';
import { NewLinesPlace } from './new-lines-place';
import { NewerBooks } from './newer-books';
import { OverTime } from './over-time';

interface DesignMarginProps {
  readonly id: string;
  readonly design: Design;
  readonly summary: DesignSummary | null;
  readonly client: PricingClient | null;
  readonly version: number;
  /** What it came to by the calculation before, where nobody has edited since. */
  readonly before: AmountsBefore | null;
  readonly bookList: readonly BookInfo[];
  readonly apply: (edits: readonly Edit[]) => void;
}

export function DesignMargin(props: DesignMarginProps) {
  const { id, design, summary, client, version, before, bookList, apply } = props;
  return (
    <div>
      <h2 className="pr-8 text-base font-semibold break-words">{design.title}</h2>
      <p className="text-sm text-soft">The whole design</p>
      {summary && <CaseFigures {...summary.wick} currency={design.currency} />}
      {before && summary && version <= 1 && <CalculatedAnew {...{ before, summary, design }} />}
      <FaultyEntries design={design} />
      <div className="mt-4 space-y-3">
        <TextEntry
          label="Name"
          text={design.title}
          maxLength={200}
          preview={(text) => (text.trim() ? null : 'A design needs a name.')}
          commit={(value) => apply([{ edit: 'set-design', field: 'title', value: value.trim() }])}
          cancel={() => undefined}
        />
        <TextEntry
          label="Description"
          text={design.description}
          maxLength={2000}
          preview={() => null}
          commit={(value) => apply([{ edit: 'set-design', field: 'description', value }])}
          cancel={() => undefined}
        />
      </div>
      <div className="mt-3">
        <NewLinesPlace
          section={null}
          place={design.place ?? null}
          otherwise="where the last line is"
          books={design.books}
          {...{ bookList, apply }}
        />
      </div>
      <h3 className="mt-5 mb-2 border-b border-ink pb-1 text-sm font-semibold">Assumptions</h3>
      <Assumptions {...{ design, bookList, apply }} />
      <OverTime
        {...{ design, client, apply }}
        fame={`/designs/${id}/load?view=fame&along=traffic&times=100&lasts=month`}
      />
      <Exchange design={design} apply={apply} />
      <h3 className="mt-5 mb-1.5 border-b border-ink pb-1 text-sm font-semibold">Agreements</h3>
      <Agreements design={design} bookList={bookList} apply={apply} />
      <h3 className="mt-5 mb-1 border-b border-ink pb-1 text-sm font-semibold">Price books</h3>
      <NewerBooks design={design} client={client} bookList={bookList} apply={apply} />
      <h3 className="mt-5 mb-1.5 border-b border-ink pb-1 text-sm font-semibold">Months and years</h3>
      <Months design={design} client={client} />
      <h3 className="mt-5 mb-2 text-sm font-semibold">How it adds up</h3>
      <AddsUp
        client={client}
        design={design}
        version={version}
        subject={{ of: 'design' }}
        printed={{
          lean: summary?.lean ?? null,
          likely: summary?.printed ?? null,
          heavy: summary?.heavy ?? null,
        }}
      />
    </div>
  );
}

function Assumptions({ design, bookList, apply }: Pick<DesignMarginProps, 'design' | 'bookList' | 'apply'>) {
  const { month, countAllowances, residence } = design.assumptions;
  const places = residencesOf(
    bookList.flatMap(({ regions }) => regions),
    residence,
  );
  const setMonth = (value: MonthConvention): void =>
    apply([{ edit: 'set-assumption', field: 'month', value }]);
  return (
    <div className="space-y-3">
      <Field label="Length of the month">
        {(field) => (
          <select
            {...field}
            value={month.hours}
            onChange={(event) => {
              const hours = event.target.value as MonthConvention['hours'];
              setMonth(hours === 'calendar' ? { hours, year: 2027, month: 1 } : { hours });
            }}
          >
            <option value="730">730 hours (mean month)</option>
            <option value="720">720 hours (30 days)</option>
            <option value="744">744 hours (31 days)</option>
            <option value="calendar">a calendar month</option>
            <option value="book">each price book’s own</option>
          </select>
        )}
      </Field>
      {month.hours === 'calendar' && (
        <Field label="Calendar month">
          {(field) => (
            <input
              {...field}
              type="month"
              min="2000-01"
              max="2100-12"
              value={`${month.year}-${String(month.month).padStart(2, '0')}`}
              onChange={(event) => {
                const [year, number] = event.target.value.split('-').map(Number);
                if (year && number) setMonth({ hours: 'calendar', year, month: number });
              }}
            />
          )}
        </Field>
      )}
      <Field label="Everything stays in">
        {(field) => (
          <select
            {...field}
            value={residence ?? ''}
            onChange={({ target: { value } }) =>
              apply([{ edit: 'set-assumption', field: 'residence', value: value === '' ? null : value }])
            }
          >
            <option value="">any country</option>
            {places.map((place) => (
              <option key={place}>{place}</option>
            ))}
          </select>
        )}
      </Field>
      <label className="flex items-center gap-2 text-sm">
        <input
          type="checkbox"
          checked={countAllowances}
          onChange={(event) =>
            apply([{ edit: 'set-assumption', field: 'countAllowances', value: event.target.checked }])
          }
          className="accent-brand"
        />
        count what is included free of charge
      </label>
      <TextEntry
        label="Currency of the design"
        text={design.currency}
        maxLength={3}
        preview={(text) =>
          /^[A-Z]{3}$/.test(text.trim()) ? null : 'Three capital letters, such as USD or EUR.'
        }
        commit={(value) => apply([{ edit: 'set-design', field: 'currency', value: value.trim() }])}
        cancel={() => undefined}
      />
    </div>
  );
}

/** Dated exchange rates the design carries: needed where a price book is in another currency. */
function Exchange({ design, apply }: Pick<DesignMarginProps, 'design' | 'apply'>) {
  const [from, setFrom] = useState('');
  const [rate, setRate] = useState('');
  const [fault, setFault] = useState<string | null>(null);
  const { exchange } = design.assumptions;
  const set = (value: Design['assumptions']['exchange']): void =>
    apply([{ edit: 'set-assumption', field: 'exchange', value }]);
  const add = (): void => {
    const number = parseDecimal(rate);
    if (!/^[A-Z]{3}$/.test(from) || from === design.currency)
      return setFault('Three capital letters, another currency than the design’s.');
    if (!number.ok) return setFault(sentenceFor(number.issue));
    if (!number.value.greaterThan(0)) return setFault('An exchange rate is above zero.');
    const others = exchange.filter((each) => each.from !== from || each.to !== design.currency);
    const today = new Date().toISOString().slice(0, 10);
    set([...others, { from, to: design.currency, rate: rate.trim(), date: today }]);
    setFrom('');
    setRate('');
    setFault(null);
  };
  /** The newest rate of each pair with the design's currency, from the workspace's tables. */
  const takeOver = async (): Promise<void> => {
    const rows = await callApi<Design['assumptions']['exchange']>('/api/exchange').catch(() => []);
    const pairs = new Map<string, (typeof rows)[number]>();
    for (const row of rows) {
      const mine = row.from === design.currency || row.to === design.currency;
      if (mine && !pairs.has(`${row.from}${row.to}`)) pairs.set(`${row.from}${row.to}`, row);
    }
    if (pairs.size === 0) {
      return setFault(`No table has rates for ${design.currency}; bring one in under Price books.`);
    }
    setFault(null);
    set([...exchange.filter((each) => !pairs.has(`${each.from}${each.to}`)), ...pairs.values()]);
  };
  return (
    <div className="mt-3">
      <div className="flex items-center justify-between text-xs text-soft">
        Exchange rates
        <Button tone="bare" onClick={() => void takeOver()}>
          Take the newest table
        </Button>
      </div>
      <ul>
        {exchange.map((each) => (
          <li
            key={`${each.from}${each.to}`}
            className="flex items-center justify-between border-b border-line py-0.5"
          >
            <span className="tabular-nums">
              1 {each.from} = {each.rate} {each.to}{' '}
              <span className="font-mono text-xs text-soft">{each.date}</span>
            </span>
            <Button
              tone="bare"
              aria-label={`Remove the rate from ${each.from}`}
              onClick={() => set(exchange.filter((other) => other !== each))}
            >
              Remove
            </Button>
          </li>
        ))}
      </ul>
      <div className="mt-1 flex items-end gap-1.5">
        <Field label="1 of">
          {(field) => (
            <input
              {...field}
              value={from}
              maxLength={3}
              placeholder="EUR"
              onChange={(event) => setFrom(event.target.value.toUpperCase())}
            />
          )}
        </Field>
        <Field label={`is in ${design.currency}`}>
          {(field) => (
            <input
              {...field}
              value={rate}
              maxLength={24}
              placeholder="1.08"
              onChange={(event) => setRate(event.target.value)}
            />
          )}
        </Field>
        <Button onClick={add}>Add</Button>
      </div>
      {fault && (
        <p role="alert" className="mt-1 text-xs text-ember-ink">
          {fault}
        </p>
      )}
    </div>
  );
}
