/** What lines come to instead of what they came to: the rows of every notice that amounts change. */
import type { AmountChange } from '@/engine/difference';
import { type Design, findComponent } from '@/engine/design';
import { writeMoney } from '@/platform/words';

export function AmountChanges({
  rows,
  design,
}: {
  readonly rows: readonly AmountChange[];
  readonly design: Design;
}) {
  const amount = (value: string | null): string =>
    value === null ? 'not priced' : writeMoney(value, design.currency);
  return (
    <ul className="mt-1">
      {rows.map(({ id, before, after }) => (
        <li key={id} className="flex justify-between gap-2 text-xs">
          <span className="min-w-0 truncate">{findComponent(design, id)?.name ?? id}</span>
          <span className="whitespace-nowrap tabular-nums">
            {amount(before)} → {amount(after)}
          </span>
        </li>
      ))}
    </ul>
  );
}
