/** Lean, likely, heavy in one ruled box: the three numbers behind a wick. */
import { writeMoney } from '@/core/display';

interface CaseFiguresProps {
  readonly low: string;
  readonly likely: string;
  readonly high: string;
  readonly currency: string;
}

export function CaseFigures({ low, likely, high, currency }: CaseFiguresProps) {
  const figures = [
    ['Lean', low],
    ['Likely', likely],
    ['Heavy', high],
  ] as const;
  return (
    <dl className="mt-2.5 grid grid-cols-3 divide-x divide-line rounded border border-line bg-surface">
      {figures.map(([label, value]) => (
        <div key={label} className="min-w-0 px-2.5 py-1.5">
          <dt className="text-xs text-soft">{label}</dt>
          <dd
            className="truncate text-sm font-semibold tabular-nums"
            title={`${writeMoney(value, currency)} ${currency}`}
          >
            {writeMoney(value, currency)}
          </dd>
        </div>
      ))}
    </dl>
  );
}
