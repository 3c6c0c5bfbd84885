/** One line under every way of paying: month, upfront, cash, whole term, saving, break-even, money at risk. */
'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { decimal } from '@/engine/base';
import type { Component } from '@/engine/design';
import { breakEvenText } from '@/features/paying/words';
import { describeTerm } from '@/engine/terms';
import { writeMoney } from '@/platform/words';
import { commitmentOf } from '@/engine/terms';
import type { TermRow } from '@/features/design/worker/protocol';
import { CurveChart } from '@/platform/ui/curve-chart';
import { savingText, useTermRows } from '@/features/design/screen/pickers/term-picker';
import { useRoom } from '@/features/design/screen/room';
import { ScopeSelect } from '@/features/design/screen/scope-select';
import { CELL, HEAD, NUMBER } from '@/features/design/screen/table-looks';

const MONTHS = 36;

export function OneLine({ line }: { readonly line: Component }) {
  const router = useRouter();
  const { id, state, client } = useRoom();
  const { design } = state;
  const [ending, setEnding] = useState(12);
  const rows = useTermRows(client, design, line).filter(({ monthly }) => monthly !== null);
  const onDemand = rows.find(({ term }) => term === 'on-demand') ?? null;
  // What may not be stopped cannot be paid so.
  const possible = rows.filter(({ term }) => term !== 'interruptible' || line.mayBeStopped === true);
  const best = [...possible].sort((a, b) => decimal(a.monthly!).comparedTo(b.monthly!))[0];
  const money = (amount: string | null): string =>
    amount === null ? '' : writeMoney(amount, design.currency);
  const says =
    best && onDemand
      ? best.term === 'on-demand'
        ? `“${line.name}” costs least on demand, ${money(best.monthly)} ${design.currency} a month.`
        : `“${line.name}” costs least ${best.term === 'interruptible' ? 'interruptible' : `for ${describeTerm(best.term)}`}: ${money(best.monthly)} ${design.currency} a month, ${savingText(best.saving)}.`
      : `“${line.name}” has no amount yet.`;
  return (
    <div className="min-h-0 flex-1 overflow-y-auto">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1.5 border-b border-line px-[18px] pb-2">
        <p role="status" className="w-full pr-4 text-base" data-testid="answer">
          {says}
        </p>
        <ScopeSelect
          label="line"
          design={design}
          value={`line ${line.id}`}
          onlyLines
          onChange={(of) =>
            router.replace(
              `/designs/${id}/paying?${new URLSearchParams({ view: 'line', line: of.slice(5) })}`,
            )
          }
        />
        <label className="flex items-center gap-1.5 text-sm text-soft">
          at risk when it ends after month
          <input
            type="number"
            min={1}
            max={MONTHS}
            value={ending}
            onChange={(event) => setEnding(Math.min(MONTHS, Math.max(1, Number(event.target.value) || 1)))}
            className="h-7 w-[64px] rounded border border-edge bg-surface px-1.5 text-sm text-ink"
          />
        </label>
      </div>
      {rows.length > 0 && (
        <div className="space-y-4 px-[18px] py-3">
          <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Ways of paying">
            <table className="w-full text-sm">
              <caption className="mb-1 text-left text-xs text-soft">
                {design.currency}, for all of the line; the line alone, without what it shares with others
              </caption>
              <thead>
                <tr>
                  {[
                    'Paid',
                    'a month',
                    'upfront',
                    'first month',
                    '12 months',
                    'whole term',
                    'saving',
                    'even after',
                    'pays',
                    'at risk',
                  ].map((each, at) => (
                    <th key={each} scope="col" className={`${HEAD} ${at === 0 ? 'text-left' : 'text-right'}`}>
                      {each}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {rows.map((row) => (
                  <tr key={row.term} className={row.term === line.term ? 'font-semibold' : ''}>
                    <th scope="row" className={`${CELL} text-left font-normal`}>
                      {describeTerm(row.term)}
                      {row.term === line.term && <span className="text-soft"> · chosen</span>}
                    </th>
                    <td className={NUMBER}>{money(row.monthly)}</td>
                    <td className={NUMBER}>{money(row.upfront)}</td>
                    <td className={NUMBER}>{money(cashAfter(row, 1))}</td>
                    <td className={NUMBER}>{money(cashAfter(row, 12))}</td>
                    <td className={NUMBER}>{money(row.wholeTerm)}</td>
                    <td className={NUMBER}>{row.term === 'on-demand' ? '' : savingText(row.saving)}</td>
                    <td className={NUMBER}>{evenText(row, onDemand)}</td>
                    <td className={NUMBER}>{breakEvenText(row.breakEven)}</td>
                    <td className={NUMBER}>{money(riskAfter(row, ending))}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
          <div>
            <h2 className="text-sm font-semibold">What has left the account after so many months?</h2>
            <CurveChart
              label={`What has left the account after so many months? ${says}`}
              lines={rows.map((row) => ({
                name: describeTerm(row.term),
                points: Array.from(
                  { length: MONTHS + 1 },
                  (_, month) => [month, Number(cashAfter(row, month) ?? 0)] as const,
                ),
              }))}
              x={{ title: 'months', from: 0, to: MONTHS, scale: 'linear' }}
              y={{ title: design.currency, scale: 'linear' }}
              file={`${line.name}, ways of paying`}
            />
          </div>
        </div>
      )}
    </div>
  );
}

/** Upfront money leaves when a term begins, and again when it is renewed. */
function cashAfter({ term, upfront, recurring }: TermRow, months: number): string | null {
  if (recurring === null) return null;
  const length = commitmentOf(term)?.months ?? null;
  const begun = length === null ? (months > 0 ? 1 : 0) : Math.ceil(Math.max(months, 1e-9) / length);
  return decimal(recurring)
    .times(months)
    .plus(decimal(upfront ?? '0').times(months === 0 && length === null ? 1 : begun))
    .toString();
}

/** The month from which no more has left than on demand. */
function evenText(row: TermRow, onDemand: TermRow | null): string {
  if (!onDemand || !commitmentOf(row.term)) return '';
  for (let month = 1; month <= MONTHS; month += 1) {
    const [ours, theirs] = [cashAfter(row, month), cashAfter(onDemand, month)];
    if (ours !== null && theirs !== null && !decimal(ours).greaterThan(theirs)) return `month ${month}`;
  }
  return 'never';
}

/** What more is paid, by the book's rule, than the same months on demand; nothing where it is less. */
function riskAfter({ leaving }: TermRow, month: number): string | null {
  const row = leaving?.rows.find((each) => each.month === month);
  if (!row) return null;
  const more = decimal(row.total).minus(row.onDemand);
  return more.isNegative() ? '0' : more.toString();
}
