/** How the period runs against the design: what is billed so far and where it closes, beside what was expected. */
'use client';
import { decimal } from '@/engine/base';
import { closeSentence } from '@/features/bills/words';
import { writeMoney } from '@/platform/words';
import { minorDigits } from '@/engine/money';
import type { BillView } from '@/features/bills/use/bill-view';
import { CurveChart } from '@/platform/ui/curve-chart';
import { Empty } from '@/platform/ui/empty';
import { BackTestTable } from './back-test-table';
import { daysDrawing } from './days-drawing';
import { Difference } from '@/features/review/screen/marks';

interface DaysProps {
  readonly view: BillView;
}

export function DaysScreen({ view }: DaysProps) {
  const { close, laid, bill, tested } = view;
  const { currency } = laid;
  const drawing = close && daysDrawing(view);
  return (
    <div
      className="min-h-0 flex-1 overflow-auto bg-surface px-[18px] pt-3 pb-10"
      tabIndex={0}
      role="region"
      aria-label="Days"
    >
      {!close || !drawing ? (
        <Empty title="No day is known yet">As soon as a file has use in it, its days stand here.</Empty>
      ) : (
        <>
          <section aria-label={drawing.question} className="max-w-[980px]">
            <h2 className="text-base font-semibold">{drawing.question}</h2>
            <p className="mt-1 text-sm" data-testid="close-sentence">
              {closeSentence(close, currency)}
            </p>
            <p className="text-sm text-soft">
              {view.basis === 'billed'
                ? 'Billed cost: as it is charged.'
                : 'Effective cost: what is paid in advance is spread.'}
            </p>
            <CurveChart
              label={`${drawing.question} ${closeSentence(close, currency)}`}
              {...drawing}
              height={280}
              file={`${bill.provider} ${bill.from}, days`}
            />
          </section>
          <BackTestTable tested={tested} currency={currency} known={laid.days.known} />
          <table className="mt-4 w-full max-w-[760px] text-sm">
            <thead>
              <tr className="border-b border-ink text-left text-xs text-soft">
                <th className="py-1 pr-3 font-normal">Day</th>
                <th className="py-1 pr-3 font-normal">Known</th>
                <th className="py-1 pr-3 text-right font-normal">{`Of the day, ${currency}`}</th>
                <th className="py-1 pr-3 text-right font-normal">So far</th>
                <th className="py-1 pr-3 text-right font-normal">Expected so far</th>
                <th className="py-1 text-right font-normal">Difference</th>
              </tr>
            </thead>
            <tbody>
              {close.days.map(({ day, soFar, isAhead }, at) => {
                const before = close.days[at - 1]?.soFar ?? '0';
                const expected = decimal(laid.expected)
                  .times(at + 1)
                  .dividedBy(close.days.length);
                const digits = minorDigits(currency);
                return (
                  <tr key={day} className={`border-b border-line tabular-nums ${isAhead ? 'text-soft' : ''}`}>
                    <td className="py-0.5 pr-3 whitespace-nowrap">{day}</td>
                    <td className="py-0.5 pr-3">{isAhead ? 'worked out' : 'billed'}</td>
                    <td className="py-0.5 pr-3 text-right">
                      {writeMoney(decimal(soFar).minus(before), currency)}
                    </td>
                    <td className="py-0.5 pr-3 text-right">{writeMoney(soFar, currency)}</td>
                    <td className="py-0.5 pr-3 text-right">{writeMoney(expected, currency)}</td>
                    <td className="py-0.5 text-right">
                      <Difference
                        value={decimal(soFar).minus(expected).toDecimalPlaces(digits).toString()}
                        currency={currency}
                      />
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        </>
      )}
    </div>
  );
}
