/** The design's tally line: total and range, first year, upfront, what is not priced, and what the last change did. */
'use client';
import { useEffect, useMemo, useState } from 'react';
import { Decimal } from '@/engine/base';
import { amountChanges } from '@/engine/difference';
import type { Design } from '@/engine/design';
import { allComponents } from '@/engine/design';
import { describeMonth } from '@/engine/time';
import { writeMoney } from '@/platform/words';
import type { DesignSummary } from '@/engine/summary';
import { Amount } from '@/platform/ui/amount';
import { TallyFigure, TallyLine } from '@/platform/ui/tally-line';
import { Wick } from '@/platform/ui/wick';
import type { PricingClient } from '@/features/design/worker/client';
import { useAsked } from './use-asked';
import type { Pricing } from './pricing';
import type { BookInfo } from './book-list';

const SHOWN_FOR = 6000;

interface Change {
  readonly amount: string;
  readonly what: string;
}

/** What changed between two summaries: the difference of the totals and the name of what moved. */
export function changeBetween(before: DesignSummary, after: DesignSummary, design: Design): Change | null {
  const amount = new Decimal(after.printed).minus(before.printed);
  if (amount.isZero() || before.currency !== after.currency) return null;
  const changes = amountChanges(monthlyIn(before), monthlyIn(after));
  const name = allComponents(design).find((component) => component.id === changes[0]?.id)?.name;
  return {
    amount: amount.toString(),
    what: changes.length === 1 ? (name ?? 'removed') : `${changes.length} components`,
  };
}

function monthlyIn({ sections }: DesignSummary): Map<string, string | null> {
  return new Map(sections.flatMap(({ lines }) => lines.map(({ id, monthly }) => [id, monthly])));
}

function useLastChange(pricing: Pricing, design: Design): Change | null {
  const [seen, setSeen] = useState<{ readonly pricing: Pricing; readonly change: Change | null }>({
    pricing,
    change: null,
  });
  if (seen.pricing.version !== pricing.version && pricing.summary) {
    const change = seen.pricing.summary ? changeBetween(seen.pricing.summary, pricing.summary, design) : null;
    setSeen({ pricing, change: change ?? seen.change });
  }
  const { change } = seen;
  useEffect(() => {
    if (!change) return;
    const timer = setTimeout(
      () => setSeen((known) => (known.change === change ? { ...known, change: null } : known)),
      SHOWN_FOR,
    );
    return () => clearTimeout(timer);
  }, [change]);
  return change;
}

interface TallyProps {
  readonly pricing: Pricing;
  readonly design: Design;
  /** Of the design; the prices may be of the one before. */
  readonly version: number;
  readonly bookList: readonly BookInfo[];
  readonly client: PricingClient | null;
  readonly onOpen: () => void;
}

/** Cash of the first 12 months, one by one; where months differ it is asked for when the typing pauses: null until then. */
function useFirstYear({ pricing, design, client }: Pick<TallyProps, 'pricing' | 'design' | 'client'>) {
  const { summary } = pricing;
  const asks = summary !== null && summary.firstYear === null;
  const question = useMemo(
    () => (asks ? { ask: 'months' as const, design, horizon: 12 } : null),
    [asks, design],
  );
  const { now } = useAsked(client, question);
  return asks ? (now?.years[0]?.cash ?? null) : (summary?.firstYear ?? null);
}

export function Tally({ pricing, design, version, bookList, client, onOpen }: TallyProps) {
  const firstYear = useFirstYear({ pricing, design, client });
  const { summary, trouble } = pricing;
  const change = useLastChange(pricing, design);
  const used = bookList.filter((book) =>
    allComponents(design).some((component) => component.place?.book === book.key),
  );
  const aside = (
    <>
      <div>
        {used.map((book) => `${book.title} ${book.effective}`).join(' · ') || 'no price book used yet'}
      </div>
      <div>
        {describeMonth(design.assumptions.month)} · allowances{' '}
        {design.assumptions.countAllowances ? 'counted' : 'not counted'}
      </div>
    </>
  );
  if (!summary)
    return (
      <TallyLine aside={aside}>
        {trouble ? (
          <span role="alert" className="text-ember-ink">
            {trouble}
          </span>
        ) : (
          <span className="text-soft">Working out the prices …</span>
        )}
      </TallyLine>
    );
  const { currency } = summary;
  return (
    <TallyLine aside={aside}>
      <button
        type="button"
        onClick={onOpen}
        className="rounded text-left"
        title="How the total adds up"
        data-testid="total"
        aria-busy={pricing.version !== version}
      >
        <div className="text-xs whitespace-nowrap text-soft">
          Likely per month, {currency}
          {summary.unpriced > 0 && ', incomplete'}
        </div>
        <div className="double-line inline-block text-xl leading-7 tabular-nums">
          <Amount value={summary.printed} currency={currency} strong />
        </div>
      </button>
      <div className="w-[128px] shrink-0 max-[700px]:hidden">
        <Wick values={summary.wick} currency={currency} most={Number(summary.wick.high) * 1.04} height={26} />
      </div>
      <TallyFigure label="Lean to heavy">
        {writeMoney(summary.wick.low, currency)} – {writeMoney(summary.wick.high, currency)}
      </TallyFigure>
      <div aria-live="polite" className="w-[150px] min-w-0 max-[1100px]:hidden">
        {change && (
          <>
            <div className="truncate text-xs text-soft" title={change.what}>
              {change.what}
            </div>
            <div
              className={`text-sm font-semibold whitespace-nowrap tabular-nums ${change.amount.startsWith('-') ? 'text-tide' : 'text-ember-ink'}`}
            >
              {change.amount.startsWith('-') ? '' : '+'}
              {writeMoney(change.amount, currency)}
            </div>
          </>
        )}
      </div>
      {summary.list !== summary.monthly && (
        <TallyFigure label="List">{writeMoney(summary.list, currency)}</TallyFigure>
      )}
      {summary.resale !== summary.monthly && (
        <TallyFigure label="Resale">{writeMoney(summary.resale, currency)}</TallyFigure>
      )}
      <TallyFigure label="First 12 months">
        {firstYear === null ? (
          <span className="font-normal text-soft" title="Being worked out month by month">
            …
          </span>
        ) : (
          writeMoney(firstYear, currency)
        )}
      </TallyFigure>
      <TallyFigure label="Upfront">{writeMoney(summary.upfront, currency)}</TallyFigure>
      <TallyFigure label="Not priced">
        {summary.unpriced > 0 ? (
          <span className="text-ember-ink">{summary.unpriced}</span>
        ) : (
          <span className="font-normal text-soft">none</span>
        )}
      </TallyFigure>
    </TallyLine>
  );
}
