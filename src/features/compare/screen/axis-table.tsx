/** A whole axis, ranked: what each would cost, against what is chosen, what is known of it, and what it lacks. */
'use client';
import { useEffect, useRef } from 'react';
import type { AxisAnswer, AxisFacts, AxisRow } from '@/features/compare/calc/axes';
import { missingText } from '@/features/compare/words';
import { sentenceFor, writeMoney, writeNumber, writeShare } from '@/platform/words';
import { Amount, NotPriced } from '@/platform/ui/amount';

interface AxisTableProps {
  readonly answer: AxisAnswer;
  /** Only rows that lack nothing. */
  readonly onlyWhole: boolean;
  /** Countries or areas that rows with a place must lie in; empty: any. */
  readonly within: string;
  readonly onTake: (row: AxisRow) => void;
}

interface FactColumn {
  readonly key: string;
  readonly head: string;
  readonly text: (facts: AxisFacts, currency: string) => string;
  readonly right?: boolean;
}

const number = (value: string | null | undefined): string =>
  value == null ? '' : writeNumber(value, undefined, 2);

const FACTS: readonly FactColumn[] = [
  { key: 'offer', head: 'Offer', text: ({ offer }) => offer ?? '' },
  { key: 'country', head: 'Country', text: ({ country }) => country ?? '' },
  { key: 'band', head: 'Price band', text: ({ band }) => band ?? '' },
  {
    key: 'carbon',
    head: 'g CO₂e a kWh',
    text: ({ carbon }) => (carbon == null ? '' : String(carbon)),
    right: true,
  },
  { key: 'vcpu', head: 'vCPU', text: ({ vcpu, units = 1 }) => times(units, vcpu), right: true },
  { key: 'memory', head: 'GiB', text: ({ memory, units = 1 }) => times(units, memory), right: true },
  {
    key: 'family',
    head: 'Family',
    text: ({ family = '', processor = '' }) => [family, processor].filter(Boolean).join(', '),
  },
  { key: 'perVcpu', head: 'A vCPU', text: ({ perVcpu }) => number(perVcpu), right: true },
  { key: 'perMemory', head: 'A GiB', text: ({ perMemory }) => number(perMemory), right: true },
  {
    key: 'sizeTimes',
    head: 'Size, amount',
    text: ({ sizeTimes, amountTimes }) =>
      sizeTimes == null ? '' : `× ${number(sizeTimes)}, × ${number(amountTimes)}`,
    right: true,
  },
  {
    key: 'upfront',
    head: 'Upfront',
    text: ({ upfront }, currency) => (upfront === undefined ? '' : writeMoney(upfront, currency)),
    right: true,
  },
  { key: 'changed', head: 'Lines', text: ({ changed }) => (changed ? String(changed) : ''), right: true },
];

function times(units: number, value: string | null | undefined): string {
  if (value == null) return '';
  return units > 1 ? `${units} × ${number(value)}` : number(value);
}

function shownRows({ rows }: AxisAnswer, onlyWhole: boolean, within: string): readonly AxisRow[] {
  return rows.filter(({ facts, missing, monthly, now }) => {
    if (now) return true;
    if (onlyWhole && (missing.length > 0 || monthly === null)) return false;
    return within === '' || facts.country === within || facts.area === within;
  });
}

export function AxisTable({ answer, onlyWhole, within, onTake }: AxisTableProps) {
  const { currency } = answer;
  const rows = shownRows(answer, onlyWhole, within);
  const chosen = useRef<HTMLTableRowElement>(null);
  // A ladder is read from where one stands; the others from the cheapest down.
  const isLadder = answer.axis === 'sizes';
  useEffect(() => {
    if (isLadder) chosen.current?.scrollIntoView({ block: 'center' });
  }, [isLadder, answer.rows.length]);
  const known = FACTS.filter(({ text }) => rows.some(({ facts }) => text(facts, currency) !== ''));
  const cell = 'border-b border-line px-2.5 py-1.5 align-baseline';
  // Of one line its name need not be said in each row.
  const alone = new Set(rows.flatMap(({ missing }) => missing.map(({ id }) => id))).size === 1;
  return (
    <div tabIndex={0} role="region" aria-label="The axis" className="min-h-0 flex-1 overflow-auto bg-surface">
      <table className="w-full min-w-[640px] border-separate border-spacing-0 text-sm">
        <thead className="sticky top-0 z-[1] bg-surface">
          <tr className="text-left text-xs text-soft">
            <Head text="What" first />
            <Head text={`A month, ${currency}`} right />
            <Head text="Against what is chosen" right />
            {known.map(({ key, head, right }) => (
              <Head key={key} text={head} right={right} />
            ))}
            <Head text="Acts" hidden />
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => {
            const { key, label, now, monthly, change, share, missing, facts } = row;
            const less = change?.startsWith('-') ?? false;
            return (
              <tr key={key} ref={now ? chosen : undefined} className={now ? 'bg-wash' : ''}>
                <th scope="row" className={`${cell} min-w-[190px] pl-[18px] text-left font-normal`}>
                  <span className={now ? 'font-semibold' : ''}>{label}</span>
                  {now && <span className="text-soft"> · chosen</span>}
                  {facts.equivalent && !now && <span className="text-soft"> · nearest equivalent</span>}
                  {missing.length > 0 && (
                    <span className="block text-xs text-ember-ink">
                      {alone ? sentenceFor(missing[0]!.issue) : missingText({ missing })}
                    </span>
                  )}
                </th>
                <td className={`${cell} border-l text-right`}>
                  {monthly === null ? (
                    <NotPriced />
                  ) : (
                    <Amount value={monthly} currency={currency} strong={now} />
                  )}
                </td>
                <td className={`${cell} text-right tabular-nums`}>
                  {change === null ? (
                    ''
                  ) : Number(change) === 0 ? (
                    <span className="text-soft">=</span>
                  ) : (
                    <span className={less ? 'text-tide' : 'text-ember-ink'}>
                      {less ? '' : '+'}
                      {writeMoney(change, currency)}
                      {share !== null && (
                        <span className="ml-1.5 text-xs">
                          {less ? '' : '+'}
                          {writeShare(share)}
                        </span>
                      )}
                    </span>
                  )}
                </td>
                {known.map((fact) => (
                  <td
                    key={fact.key}
                    className={`${cell} ${fact.right ? 'text-right whitespace-nowrap tabular-nums' : 'min-w-[118px]'} text-soft`}
                  >
                    {fact.text(facts, currency)}
                  </td>
                ))}
                <td className={`${cell} pr-[18px] text-right`}>
                  {!now && monthly !== null && (
                    <button
                      type="button"
                      aria-label={`Make “${label}” an alternative`}
                      onClick={() => onTake(row)}
                      className="rounded px-1.5 text-xs whitespace-nowrap text-brand hover:bg-wash"
                    >
                      as an alternative
                    </button>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

function Head({
  text,
  right = false,
  first = false,
  hidden = false,
}: {
  readonly text: string;
  readonly right?: boolean;
  readonly first?: boolean;
  /** Said to those who do not see it. */
  readonly hidden?: boolean;
}) {
  return (
    <th
      scope="col"
      className={`border-b border-ink px-2.5 py-1.5 font-normal ${first ? 'pl-[18px]' : ''} ${right ? 'text-right' : ''}`}
    >
      {hidden ? <span className="sr-only">{text}</span> : text}
    </th>
  );
}
