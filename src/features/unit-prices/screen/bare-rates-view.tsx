/** Bare rates side by side: things as rows, providers as columns, each with its cheapest region, at a quantity one can picture. */
'use client';
import { type ReactNode, useMemo, useState } from 'react';
import type { MeasuredRates, Quantities } from '@/features/unit-prices/calc';
import type { Design } from '@/engine/design';
import { bareSentence } from '@/features/unit-prices/words';
import { type PlaceNames } from '@/features/design/words';
import { writeNumber } from '@/platform/words';
import { isWithin } from '@/engine/moving';
import { Margin } from '@/platform/ui/margin';
import type { PricingClient } from '@/features/design/worker/client';
import { residencesOf } from '@/features/design/screen/book-list';
import { useAsked } from '@/features/design/screen/use-asked';
import { BareMargin } from './bare-margin';
import { BareTable } from './bare-table';

export interface BareRatesProps {
  readonly client: PricingClient | null;
  /** Currency, month, exchange rates and pinned books. */
  readonly around: Design;
  readonly names: PlaceNames;
  /** What a design holds and moves; absent: there is none. */
  readonly own?: Quantities['byKind'];
  readonly children?: ReactNode;
}

const DATA = ['10', '100', '1000', '10000', '100000'] as const;
const REQUESTS = ['1000000', '10000000', '100000000', '1000000000'] as const;
const DATA_WORDS: Readonly<Record<string, string>> = { '1000': '1 TB', '10000': '10 TB', '100000': '100 TB' };

const dataWords = (amount: string): string => DATA_WORDS[amount] ?? `${amount} GB`;
const millions = (amount: string): string => writeNumber(String(Number(amount) / 1e6));

export function BareRatesView({ client, around, names, own, children }: BareRatesProps) {
  const [data, setData] = useState<string>('100');
  const [requests, setRequests] = useState<string>('1000000');
  const hasOwn = own !== undefined && Object.keys(own).length > 0;
  const [asOwn, setAsOwn] = useState(hasOwn);
  const [free, setFree] = useState(around.assumptions.countAllowances);
  const [within, setWithin] = useState(around.assumptions.residence ?? '');
  const [chosen, setChosen] = useState<{ readonly measure: string; readonly book: string } | null>(null);
  const [marginOpen, setMarginOpen] = useState(true);
  const question = useMemo(
    () => ({
      ask: 'bare-rates' as const,
      design: { ...around, assumptions: { ...around.assumptions, countAllowances: free } },
      quantities: { data, requests, ...(asOwn && own ? { byKind: own } : {}) },
    }),
    [around, data, requests, free, asOwn, own],
  );
  const { last, trouble } = useAsked(client, question, 120);
  const shown = useMemo(() => last && withinPlace(last, within), [last, within]);
  const places = useMemo(
    () => residencesOf(last?.[0]?.rates ?? [], around.assumptions.residence),
    [last, around.assumptions.residence],
  );
  const measured = shown?.find(({ measure }) => measure.key === chosen?.measure) ?? shown?.[0];
  const field = 'h-7 max-w-[200px] rounded border border-edge bg-surface px-1.5 text-sm text-ink';
  const label = 'flex items-center gap-1.5 text-sm text-soft';
  return (
    <div className="flex min-h-0 flex-1 max-[700px]:flex-col">
      <div className="flex min-h-0 min-w-0 flex-1 flex-col">
        {children}
        <div className="flex shrink-0 flex-wrap items-center gap-x-4 gap-y-1.5 border-b border-line px-[18px] pt-1.5 pb-2">
          <p role="status" className="w-full pr-8 text-base" data-testid="answer">
            {trouble ?? (shown ? bareSentence(shown, names) : 'Pricing every region …')}
          </p>
          <label className={label}>
            data
            <select value={data} onChange={(event) => setData(event.target.value)} className={field}>
              {DATA.map((each) => (
                <option key={each} value={each}>
                  {dataWords(each)}
                </option>
              ))}
            </select>
          </label>
          <label className={label}>
            requests, millions
            <select value={requests} onChange={(event) => setRequests(event.target.value)} className={field}>
              {REQUESTS.map((each) => (
                <option key={each} value={each}>
                  {millions(each)}
                </option>
              ))}
            </select>
          </label>
          <label className={label}>
            sold in
            <select value={within} onChange={(event) => setWithin(event.target.value)} className={field}>
              <option value="">any country</option>
              {places.map((place) => (
                <option key={place}>{place}</option>
              ))}
            </select>
          </label>
          {hasOwn && <Tick label="as much as the design has" checked={asOwn} onChange={setAsOwn} />}
          <Tick label="count what is included free" checked={free} onChange={setFree} />
        </div>
        {shown && (
          <BareTable
            {...{ names, chosen }}
            measured={shown}
            books={around.books.map(({ book }) => book)}
            currency={around.currency}
            onChoose={(measure, book) => {
              setChosen({ measure, book });
              setMarginOpen(true);
            }}
          />
        )}
      </div>
      <Margin label="About this rate" open={marginOpen} onToggle={() => setMarginOpen(!marginOpen)}>
        {measured ? (
          <BareMargin
            key={`${measured.measure.key} ${chosen?.book}`}
            {...{ client, measured, names }}
            around={question.design}
            book={chosen?.book ?? measured.rates[0]?.book ?? ''}
          />
        ) : (
          <p className="text-sm text-soft">Choose a rate to see where it comes from.</p>
        )}
      </Margin>
    </div>
  );
}

interface TickProps {
  readonly label: string;
  readonly checked: boolean;
  readonly onChange: (checked: boolean) => void;
}

function Tick({ label, checked, onChange }: TickProps) {
  return (
    <label className="flex items-center gap-1.5 text-sm text-soft">
      <input
        type="checkbox"
        checked={checked}
        onChange={(event) => onChange(event.target.checked)}
        className="accent-brand"
      />
      {label}
    </label>
  );
}

function withinPlace(measured: readonly MeasuredRates[], within: string): readonly MeasuredRates[] {
  if (within === '') return measured;
  return measured.map(({ measure, rates }) => ({
    measure,
    rates: rates.filter((rate) => isWithin(rate, within)),
  }));
}
