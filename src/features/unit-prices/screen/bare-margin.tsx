/** One bare rate in the margin: what it is of, how it adds up to its source, and the same in every region. */
'use client';
import { useMemo, useState } from 'react';
import { type BareRate, bareDesign, type MeasuredRates } from '@/features/unit-prices/calc';
import type { Design } from '@/engine/design';
import { type PlaceNames } from '@/features/design/words';
import { sentenceFor, writeMoney, writeNumber } from '@/platform/words';
import { TraceTree } from '@/platform/ui/trace-tree';
import type { PricingClient } from '@/features/design/worker/client';
import { useAsked } from '@/features/design/screen/use-asked';

interface BareMarginProps {
  readonly client: PricingClient | null;
  readonly around: Design;
  readonly measured: MeasuredRates;
  readonly book: string;
  readonly names: PlaceNames;
}

const placeOf = ({ book, region }: BareRate): string => `${book} ${region}`;

export function BareMargin({ client, around, measured, book, names }: BareMarginProps) {
  const { measure, rates } = measured;
  const [at, setAt] = useState<string | null>(null);
  const rate =
    rates.find((each) => placeOf(each) === at) ?? rates.find((each) => each.book === book) ?? rates[0];
  const { currency } = around;
  return (
    <section aria-label={measure.label}>
      <h2 className="pr-8 text-base font-semibold break-words">{measure.label}</h2>
      {rate && rate.amount !== null && (
        <>
          <p className="mt-1 text-sm">
            {names.book(rate.book)}, {names.region(rate.book, rate.region)}: {rate.offer ?? 'no offer'}
          </p>
          <p className="text-sm text-soft">
            {writeNumber(rate.each!, undefined, 12)} {currency} for each {measure.unit}
            {measure.divisor && '; the whole server and its month below'}.
            {Number(rate.amount) === 0 && ' So much of it is included free.'}
            {rate.sleeps && ' It costs nothing while nobody asks.'}
          </p>
          <Steps {...{ client, around, rate }} />
        </>
      )}
      {rate?.why && (
        <p className="mt-1 text-sm text-ember-ink">
          {names.book(rate.book)}, {names.region(rate.book, rate.region)}: {sentenceFor(rate.why)}
        </p>
      )}
      <h3 className="mt-5 mb-1 border-b border-ink pb-1 text-sm font-semibold">Every region</h3>
      <ul className="text-sm">
        {rates.map((each) => (
          <li key={placeOf(each)} className="border-b border-line">
            <button
              type="button"
              aria-pressed={each === rate}
              disabled={each.amount === null && each.why === null}
              onClick={() => setAt(placeOf(each))}
              className={`flex w-full items-baseline justify-between gap-3 py-1 text-left ${each === rate ? 'font-semibold' : ''} ${each.amount === null ? 'text-soft' : 'hover:bg-wash'}`}
            >
              <span className="min-w-0 break-words">
                {names.book(each.book)}, {names.region(each.book, each.region)}
              </span>
              <span className="whitespace-nowrap tabular-nums">
                {each.amount === null
                  ? each.why === null
                    ? 'not sold'
                    : 'not priced'
                  : writeMoney(each.amount, currency)}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

interface StepsProps {
  readonly client: PricingClient | null;
  readonly around: Design;
  readonly rate: BareRate;
}

function Steps({ client, around, rate }: StepsProps) {
  const { line } = rate;
  const question = useMemo(
    () =>
      line && {
        ask: 'explain' as const,
        design: bareDesign(around, line),
        version: 1,
        amount: { of: 'component' as const, id: line.id },
        case: 'likely' as const,
      },
    [around, line],
  );
  const { now: figure } = useAsked(client, question, 0);
  if (!figure) return <p className="mt-3 text-sm text-soft">Opening how it adds up …</p>;
  return (
    <div className="mt-3">
      <TraceTree figure={figure} currency={around.currency} printed={figure.value} />
    </div>
  );
}
