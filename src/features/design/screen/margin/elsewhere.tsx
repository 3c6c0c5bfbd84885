/** One line at every provider, in the nearest equivalent of its region: place, offer, amount, and what it lacks there. */
'use client';
import Link from 'next/link';
import { useMemo } from 'react';
import type { AxisRow } from '@/features/compare/calc/axes';
import type { Component, Design, Edit } from '@/engine/design';
import { axisSentence } from '@/features/compare/words';
import { sentenceFor, writeMoney } from '@/platform/words';
import { NotPriced } from '@/platform/ui/amount';
import type { PricingClient } from '@/features/design/worker/client';
import { added } from '@/features/compare/screen/new-alternative';
import { useAsked } from '../use-asked';

interface ElsewhereProps {
  readonly id: string;
  readonly client: PricingClient | null;
  readonly design: Design;
  readonly component: Component;
  readonly apply: (edits: readonly Edit[]) => void;
}

export function Elsewhere({ id, client, design, component, apply }: ElsewhereProps) {
  const line = component.id;
  const question = useMemo(
    () => ({
      ask: 'axis' as const,
      design,
      axis: 'providers' as const,
      what: { of: 'lines' as const, ids: [line] },
    }),
    [design, line],
  );
  const { now, last, trouble } = useAsked(client, question, 120);
  const answer = now ?? last;
  if (trouble)
    return (
      <p role="alert" className="text-sm text-ember-ink">
        {trouble}
      </p>
    );
  if (!answer) return <p className="text-sm text-soft">Pricing it at every provider …</p>;
  const take = ({ label, changes }: AxisRow): void =>
    apply([
      added(design, { name: `${component.name}: ${label}`.slice(0, 200), changes }, crypto.randomUUID()),
    ]);
  const axes = [
    ['regions', 'every region'],
    ['sizes', 'every size'],
    ['forms', 'every form'],
  ] as const;
  return (
    <div className="text-sm">
      <p className="mb-2">{axisSentence(answer)}</p>
      <ul>
        {answer.rows.map((row) => (
          <Row key={row.key} row={row} currency={answer.currency} onTake={() => take(row)} />
        ))}
      </ul>
      <p className="mt-3 text-soft">
        All of it:{' '}
        {axes.map(([axis, words], at) => (
          <span key={axis}>
            {at > 0 && ', '}
            <Link
              prefetch={false}
              href={`/designs/${id}/alternatives?${new URLSearchParams({ axis, of: `line ${line}` })}`}
              className="text-brand underline"
            >
              {words}
            </Link>
          </span>
        ))}
      </p>
    </div>
  );
}

function Row({
  row,
  currency,
  onTake,
}: {
  readonly row: AxisRow;
  readonly currency: string;
  readonly onTake: () => void;
}) {
  const { label, now, monthly, change, missing, facts } = row;
  const less = change?.startsWith('-') ?? false;
  return (
    <li className={`border-b border-line py-1.5 ${now ? 'font-semibold' : ''}`}>
      <div className="flex items-baseline justify-between gap-3">
        <span className="min-w-0 break-words">
          {label}
          {now && <span className="font-normal text-soft"> · chosen</span>}
        </span>
        {monthly === null ? (
          <NotPriced />
        ) : (
          <span className="whitespace-nowrap tabular-nums">{writeMoney(monthly, currency)}</span>
        )}
      </div>
      <div className="flex items-baseline justify-between gap-3 text-xs font-normal text-soft">
        <span className="min-w-0 break-words">{facts.offer}</span>
        {change !== null && Number(change) !== 0 && (
          <span className={`whitespace-nowrap tabular-nums ${less ? 'text-tide' : 'text-ember-ink'}`}>
            {less ? '' : '+'}
            {writeMoney(change, currency)}
          </span>
        )}
      </div>
      {missing.length > 0 && (
        <p className="text-xs font-normal text-ember-ink">{sentenceFor(missing[0]!.issue)}</p>
      )}
      {!now && monthly !== null && missing.length === 0 && (
        <button
          type="button"
          aria-label={`Make “${label}” an alternative`}
          onClick={onTake}
          className="rounded text-xs font-normal text-brand hover:underline"
        >
          as an alternative
        </button>
      )}
    </li>
  );
}
