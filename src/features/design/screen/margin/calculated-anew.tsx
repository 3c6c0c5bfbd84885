/** The same design, books and entries, and another amount: the calculation itself became more exact. */
import { type AmountChange, amountChanges } from '@/engine/difference';
import type { Design } from '@/engine/design';
import { writeMoney } from '@/platform/words';
import type { DesignSummary } from '@/engine/summary';
import type { AmountsBefore, LineAmounts } from '@/stores/ports';
import { AmountChanges } from './amount-changes';

interface CalculatedAnewProps {
  readonly before: AmountsBefore;
  readonly summary: DesignSummary;
  readonly design: Design;
}

/** The lines whose amount is another than the one that was kept. */
export function changedLines(before: LineAmounts, { sections }: DesignSummary): AmountChange[] {
  const lines = sections.flatMap((section) => section.lines);
  const kept = new Map(lines.map(({ id }) => [id, before[id] ?? null]));
  return amountChanges(kept, new Map(lines.map(({ id, printed }) => [id, printed])));
}

export function CalculatedAnew({ before, summary, design }: CalculatedAnewProps) {
  const { currency } = design;
  return (
    <div role="status" className="mt-2 rounded border border-edge px-2.5 py-2 text-sm">
      <p>
        Calculated anew: {writeMoney(summary.printed, currency)} {currency} a month instead of{' '}
        {writeMoney(before.monthly, currency)}. Entries and price books are the same; where two rules act on
        one hour, each now works on what the other leaves.
      </p>
      {before.lines ? (
        <AmountChanges rows={changedLines(before.lines, summary)} design={design} />
      ) : (
        <p className="mt-1 text-xs text-soft">
          What each line came to was not kept by the version before; “How it adds up” shows each as it is now.
        </p>
      )}
    </div>
  );
}
