/** What made the difference: from expected to billed in steps that add up, as a table whose bars stand on one scale. */
import { type Variance } from '@/features/bills/calc';
import { varianceSteps } from '@/features/bills/words';
import { writeMoney } from '@/platform/words';
import { minorDigits } from '@/engine/money';
import { Difference } from '@/features/review/screen/marks';

interface StepsProps {
  readonly variance: Variance;
  readonly soFar: string;
  readonly billed: string;
  readonly currency: string;
}

export function StepsTable({ variance, soFar, billed, currency }: StepsProps) {
  const steps = varianceSteps({ variance, soFar, billed }, soFar, billed, minorDigits(currency));
  const spans = spansOf(
    Number(soFar),
    steps.map(({ amount }) => Number(amount)),
  );
  const low = Math.min(0, ...spans.map(([from]) => from));
  const high = Math.max(Number(soFar), Number(billed), ...spans.map(([, to]) => to), low + 1e-9);
  const at = (value: number): string => `${((value - low) / (high - low)) * 100}%`;
  return (
    <table className="w-full text-sm">
      <thead className="sr-only">
        <tr>
          <th>Step</th>
          <th>Amount</th>
          <th>Drawn</th>
        </tr>
      </thead>
      <tbody>
        <End
          label="Expected so far"
          value={soFar}
          currency={currency}
          width={at(Number(soFar))}
          left={at(0)}
        />
        {steps.map(({ part, label, amount }, index) => (
          <tr key={part} className="border-b border-line">
            <td className="py-1 pr-2">{label}</td>
            <td className="py-1 pr-2 text-right">
              <Difference value={amount} currency={currency} />
            </td>
            <td className="w-[34%] py-1" aria-hidden="true">
              <span className="relative block h-2.5">
                <span
                  className={`absolute top-0 h-full min-w-[2px] ${Number(amount) > 0 ? 'bg-ember' : 'bg-tide'}`}
                  style={{
                    left: at(spans[index]![0]),
                    width: `calc(${at(spans[index]![1])} - ${at(spans[index]![0])})`,
                  }}
                />
              </span>
            </td>
          </tr>
        ))}
        <End
          label="Billed"
          value={billed}
          currency={currency}
          width={at(Number(billed))}
          left={at(0)}
          isLast
        />
      </tbody>
    </table>
  );
}

/** Where each step begins and ends, the lower first. */
function spansOf(start: number, steps: readonly number[]): (readonly [number, number])[] {
  return steps.map((step, at) => {
    const from = steps.slice(0, at).reduce((sum, each) => sum + each, start);
    return [Math.min(from, from + step), Math.max(from, from + step)] as const;
  });
}

interface EndProps {
  readonly label: string;
  readonly value: string;
  readonly currency: string;
  readonly left: string;
  readonly width: string;
  readonly isLast?: boolean;
}

function End({ label, value, currency, left, width, isLast = false }: EndProps) {
  return (
    <tr className={isLast ? 'border-t border-ink font-semibold' : 'border-b border-line'}>
      <td className="py-1 pr-2">{label}</td>
      <td className="py-1 pr-2 text-right tabular-nums">{writeMoney(value, currency)}</td>
      <td className="w-[34%] py-1" aria-hidden="true">
        <span className="relative block h-2.5">
          <span
            className="absolute top-0 h-full bg-soft"
            style={{ left, width: `calc(${width} - ${left})` }}
          />
        </span>
      </td>
    </tr>
  );
}
