/** The whole bill in the margin: how it closes, what made the difference, what the rules take. */
'use client';
import { closeSentence, type BillLines } from '@/features/bills/words';
import { writeNumber } from '@/platform/words';
import type { BillView } from '@/features/bills/use/bill-view';
import { StepsTable } from './steps-table';

interface WholeMarginProps {
  readonly view: BillView;
  readonly total: BillLines['total'];
}

export function WholeMargin({ view, total }: WholeMarginProps) {
  const { laid, close, bill, design } = view;
  return (
    <>
      <h2 className="pr-8 text-base font-semibold">The whole bill</h2>
      {close && <p className="mt-2 text-sm">{closeSentence(close, laid.currency)}</p>}
      <h3 className="mt-4 border-b border-ink pb-1 text-sm font-semibold">What made the difference?</h3>
      <StepsTable
        variance={laid.variance}
        soFar={total.soFar}
        billed={total.billed}
        currency={laid.currency}
      />
      <p className="mt-3 text-xs text-soft">
        {design
          ? `Held against “${design.title}”, revision ${design.revision}. Days that are known count as ${writeNumber(laid.days.worth, undefined, 1)} whole ones: the newest come late.`
          : 'Held against no design: nothing is expected. Choose one above.'}
      </p>
      {bill.closing && (
        <p className="mt-3 text-sm break-words">
          {`Closed on ${bill.closing.at.slice(0, 10)} by ${bill.closing.by}. ${bill.closing.note}`}
        </p>
      )}
      {laid.without.length > 0 && (
        <p className="mt-3 text-sm text-ember-ink">
          {`${laid.without.length} ${laid.without.length === 1 ? 'line' : 'lines'} of the design have no amount in ${laid.currency}, so nothing is expected of them.`}
        </p>
      )}
      <p className="mt-3 text-xs text-soft">Choose a line for how it adds up.</p>
    </>
  );
}
