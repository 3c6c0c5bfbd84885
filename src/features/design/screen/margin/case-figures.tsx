/** Lean, likely, heavy in one ruled box: the three numbers behind a wick. */
import { Decimal } from '@/engine/base';
import { writeAmount, writeMoney, writeShare } from '@/platform/words';

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
            <Figure value={value} currency={currency} />
          </dd>
        </div>
      ))}
    </dl>
  );
}

/** Millions leave out the minor digits to fit; the title has them. */
function Figure({ value, currency }: { readonly value: string; readonly currency: string }) {
  const { whole, minor } = writeAmount(value, currency);
  return whole.length > 7 ? whole : `${whole}${minor}`;
}

/** Which part of the design this is: "24.2 % of the design". */
export function ShareText({
  amount,
  total,
}: {
  readonly amount: string | null;
  readonly total: string | null;
}) {
  if (amount === null || total === null || new Decimal(total).isZero()) return null;
  return (
    <p className="mt-1.5 text-xs text-soft">
      {writeShare(new Decimal(amount).dividedBy(total))} of the design
    </p>
  );
}
