/** How the projection would have done: of the periods before, when as many days were known as are of this one. */
import { type BackTested, usualError } from '@/features/bills/calc';
import { backTestSentence } from '@/features/bills/words';
import { writeMoney, writeShare } from '@/platform/words';

interface BackTestProps {
  readonly tested: readonly BackTested[];
  readonly currency: string;
  readonly known: number;
}

const NUMBER = 'py-0.5 pr-3 text-right tabular-nums';

export function BackTestTable({ tested, currency, known }: BackTestProps) {
  const money = (text: string): string => writeMoney(text, currency);
  return (
    <section aria-label="How the projection did before" className="mt-4 max-w-[760px] text-sm">
      <h2 className="text-base font-semibold">How far off was such a projection before?</h2>
      <p className="mt-0.5" data-testid="back-test">
        {backTestSentence(usualError(tested), tested, known)}
      </p>
      {tested.length > 0 && (
        <table className="mt-2 w-full">
          <thead>
            <tr className="border-b border-ink text-left text-xs text-soft">
              <th className="py-1 pr-3 font-normal">Period</th>
              <th className="py-1 pr-3 text-right font-normal">{`Would have been said, ${currency}`}</th>
              <th className="py-1 pr-3 text-right font-normal">Low</th>
              <th className="py-1 pr-3 text-right font-normal">High</th>
              <th className="py-1 pr-3 text-right font-normal">It came to</th>
              <th className="py-1 pr-3 text-right font-normal">Off by</th>
              <th className="py-1 font-normal">Within the range</th>
            </tr>
          </thead>
          <tbody>
            {tested.map(({ from, likely, low, high, actual, off, isWithin }) => (
              <tr key={from} className="border-b border-line">
                <td className="py-0.5 pr-3 whitespace-nowrap">{from.slice(0, 7)}</td>
                <td className={NUMBER}>{money(likely)}</td>
                <td className={NUMBER}>{money(low)}</td>
                <td className={NUMBER}>{money(high)}</td>
                <td className={NUMBER}>{money(actual)}</td>
                <td className={NUMBER}>{off === null ? '–' : writeShare(off)}</td>
                <td className="py-0.5">{isWithin ? 'yes' : 'no'}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}
