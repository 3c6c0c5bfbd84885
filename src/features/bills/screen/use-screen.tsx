/** What is included and what is committed: used, left, the day it runs out, and which level would have cost less. */
'use client';
import Link from 'next/link';
import { decimal } from '@/engine/base';
import { type AllowanceUse, type CommitmentUse, isWorthSaying } from '@/features/bills/calc';
import { allowanceSentence, commitmentSentence } from '@/features/bills/words';
import { writeMoney, writeNumber, writeShare } from '@/platform/words';
import type { BillView } from '@/features/bills/use/bill-view';
import { Empty } from '@/platform/ui/empty';
import { StepBar } from '@/features/alerts/screen/step-bar';

const HEAD = 'py-1 pr-3 font-normal';
const NUMBER = 'py-1 pr-3 text-right tabular-nums';

export function UseScreen({ view }: { readonly view: BillView }) {
  const { allowances, commitments, bill } = view;
  return (
    <div
      className="min-h-0 flex-1 overflow-auto bg-surface px-[18px] pt-3 pb-10"
      tabIndex={0}
      role="region"
      aria-label="Included and committed"
    >
      {allowances.length === 0 && commitments.length === 0 ? (
        <Empty title="Nothing is included, and nothing is committed">
          {view.design
            ? 'No line of the design has anything included in its price, and no row of the bill belongs to a commitment.'
            : 'Choose the design that this bill is held against: what is included stands in its prices.'}
        </Empty>
      ) : (
        <>
          {allowances.length > 0 && <Allowances allowances={allowances} />}
          {commitments.length > 0 && (
            <Commitments
              commitments={commitments}
              currency={bill.currency}
              design={view.design?.id ?? null}
            />
          )}
        </>
      )}
    </div>
  );
}

const quantity = (text: string): string => writeNumber(decimal(text).toSignificantDigits(6).toString());

function Allowances({ allowances }: { readonly allowances: readonly AllowanceUse[] }) {
  return (
    <section aria-label="What is included" className="max-w-[1000px]">
      <h2 className="text-base font-semibold">How much of what is included is used?</h2>
      {allowances.map((each) => (
        <p key={`${each.meter} ${each.components.join(' ')}`} className="mt-1 text-sm">
          {allowanceSentence(each)}
        </p>
      ))}
      <table className="mt-3 w-full min-w-[780px] text-sm">
        <thead>
          <tr className="border-b border-ink text-left text-xs text-soft">
            <th className={HEAD}>Meter</th>
            <th className={`${HEAD} text-right`}>Included</th>
            <th className={`${HEAD} text-right`}>Used</th>
            <th className={`${HEAD} text-right`}>Left</th>
            <th className={`${HEAD} w-[28%]`}>Used, and where it will close</th>
            <th className={HEAD}>Runs out</th>
          </tr>
        </thead>
        <tbody>
          {allowances.map((each) => {
            const { label, ofPeriod, used, left, share, unit, close, runsOut, isOut } = each;
            const ahead = close ? decimal(close.likely).dividedBy(ofPeriod).toNumber() : null;
            return (
              <tr key={`${each.meter} ${each.components.join(' ')}`} className="border-b border-line">
                <td className="py-1 pr-3 break-words">
                  {label}
                  {each.months !== null && (
                    <span className="ml-2 text-xs text-soft">{`for the first ${each.months} months of the account`}</span>
                  )}
                </td>
                <td className={NUMBER}>{`${quantity(ofPeriod)} ${unit}`}</td>
                <td className={NUMBER}>{`${quantity(used)} ${unit}`}</td>
                <td className={NUMBER}>{`${quantity(left)} ${unit}`}</td>
                <td className="py-1 pr-3">
                  <StepBar
                    label={`${writeShare(share)} used`}
                    share={Number(share)}
                    ahead={ahead}
                    steps={[1]}
                  />
                </td>
                <td className="py-1">
                  {runsOut === null
                    ? 'not in this period'
                    : isOut
                      ? `ran out on ${runsOut}`
                      : `on ${runsOut}`}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}

interface CommitmentsProps {
  readonly commitments: readonly CommitmentUse[];
  readonly currency: string;
  /** Null: the bill is held against none. */
  readonly design: string | null;
}

function Commitments({ commitments, currency, design }: CommitmentsProps) {
  return (
    <section aria-label="Commitments" className="mt-6 max-w-[1000px]">
      <h2 className="text-base font-semibold">What do the commitments pay for?</h2>
      {commitments.map((each) => (
        <p key={each.commitment} className="mt-1 text-sm">
          {commitmentSentence(each, currency)}
        </p>
      ))}
      <table className="mt-3 w-full min-w-[780px] text-sm">
        <thead>
          <tr className="border-b border-ink text-left text-xs text-soft">
            <th className={HEAD}>Commitment</th>
            <th className={`${HEAD} text-right`}>{`Paid for something, ${currency}`}</th>
            <th className={`${HEAD} text-right`}>Paid unused</th>
            <th className={`${HEAD} text-right`}>Use</th>
            <th className={`${HEAD} text-right`}>Covers</th>
            <th className={`${HEAD} text-right`}>Level now</th>
            <th className={`${HEAD} text-right`}>Level that would have cost least</th>
          </tr>
        </thead>
        <tbody>
          {commitments.map((each) => {
            const { commitment, sku, used, unused, use, coverage, better, unit } = each;
            const level = (text: string): string => `${quantity(text)} ${unit} a day`;
            return (
              <tr key={commitment} className="border-b border-line align-baseline">
                <td className="py-1 pr-3 break-words">
                  <span className="font-mono text-xs">{commitment}</span>
                  <span className="ml-2 text-xs text-soft">{sku}</span>
                </td>
                <td className={NUMBER}>{writeMoney(used, currency)}</td>
                <td className={NUMBER}>{writeMoney(unused, currency)}</td>
                <td className={NUMBER}>{writeShare(use)}</td>
                <td className={NUMBER}>{coverage === null ? '–' : writeShare(coverage)}</td>
                <td className={NUMBER}>{better ? level(better.now) : 'not said'}</td>
                <td className={NUMBER}>
                  {!better
                    ? 'no price on demand in the bill'
                    : isWorthSaying(better)
                      ? level(better.level)
                      : 'about this one'}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {design && (
        <p className="mt-2 text-sm">
          <Link
            href={`/designs/${design}/paying`}
            prefetch={false}
            className="text-brand underline underline-offset-2"
          >
            Plan what to commit to, for the design
          </Link>
        </p>
      )}
    </section>
  );
}
