/** A money amount in a column: tabular, right-aligned by its place, minor digits softer than the whole. */
import { writeAmount } from '@/platform/words';

interface AmountProps {
  readonly value: string;
  readonly currency: string;
  readonly strong?: boolean;
  readonly signed?: boolean;
}

export function Amount({ value, currency, strong = false, signed = false }: AmountProps) {
  const { whole, minor } = writeAmount(value, currency);
  const plus = signed && !value.startsWith('-') ? '+' : '';
  return (
    <span className={`whitespace-nowrap tabular-nums ${strong ? 'font-semibold' : ''}`}>
      {plus}
      {whole}
      <span className="text-[0.86em] text-soft">{minor}</span>
    </span>
  );
}

/** Stands where an amount would: never a zero, never a gap. */
export function NotPriced() {
  return (
    <span className="inline-block rounded border border-dashed border-ember px-1.5 text-xs leading-[18px] whitespace-nowrap text-ember-ink">
      not priced
    </span>
  );
}
