/** The tally of a bill: billed, expected, the difference, where it closes, what is not in the design. */
'use client';
import type { BillLines } from '@/features/bills/words';
import { writeMoney } from '@/platform/words';
import type { BillView } from '@/features/bills/use/bill-view';
import { Amount } from '@/platform/ui/amount';
import { TallyFigure, TallyLine } from '@/platform/ui/tally-line';
import { Difference } from '@/features/review/screen/marks';

interface BillTallyProps {
  readonly view: BillView;
  readonly total: BillLines['total'];
}

export function BillTally({ view, total }: BillTallyProps) {
  const { laid, close, bill } = view;
  const { currency } = laid;
  const outside = laid.sections.find(({ part }) => part === 'outside');
  return (
    <TallyLine
      aside={`${currency} · ${view.basis === 'effective' ? 'effective cost: paid in advance is spread' : 'billed cost'} · file ${bill.revision}`}
    >
      <TallyFigure label="Billed">
        <span data-testid="bill-billed">
          <Amount value={total.billed} currency={currency} />
        </span>
      </TallyFigure>
      <TallyFigure label="Expected so far">
        <Amount value={total.soFar} currency={currency} />
      </TallyFigure>
      <TallyFigure label="Difference">
        <Difference value={total.difference} currency={currency} />
      </TallyFigure>
      {close && (
        <TallyFigure label="Closes at">
          <span title={`between ${writeMoney(close.low, currency)} and ${writeMoney(close.high, currency)}`}>
            <Amount value={close.likely} currency={currency} />
          </span>
        </TallyFigure>
      )}
      <TallyFigure label="Expected in all">
        <Amount value={total.expected} currency={currency} />
      </TallyFigure>
      <TallyFigure label="Not in the design">
        <span className={outside ? 'text-ember-ink' : ''}>
          <Amount value={outside?.billed ?? '0'} currency={currency} />
        </span>
      </TallyFigure>
      {laid.without.length > 0 && (
        <TallyFigure label="Without expectation">
          <span className="text-ember-ink">{laid.without.length}</span>
        </TallyFigure>
      )}
    </TallyLine>
  );
}
