/** Amounts that are known as text only (kept, printed): which of them differ. */
import { decimal } from '../base';

export interface AmountChange {
  readonly id: string;
  /** Null: not priced, or not there. */
  readonly before: string | null;
  readonly after: string | null;
}

export type KnownAmounts = ReadonlyMap<string, string | null>;

/**
 * Those of `after` in their order, then those that are gone. "1.50" and "1.5" are one amount.
 *
 * @example
 * amountChanges(new Map([['a', '1.50'], ['b', '2']]), new Map([['a', '1.5'], ['b', '3']])); // => [{ id: 'b', before: '2', after: '3' }]
 */
export function amountChanges(before: KnownAmounts, after: KnownAmounts): AmountChange[] {
  const ids = [...after.keys(), ...[...before.keys()].filter((id) => !after.has(id))];
  return ids
    .map((id) => ({ id, before: before.get(id) ?? null, after: after.get(id) ?? null }))
    .filter((row) => !sameAmount(row.before, row.after));
}

function sameAmount(a: string | null, b: string | null): boolean {
  if (a === null || b === null) return a === b;
  return a === b || decimal(a).equals(b);
}
