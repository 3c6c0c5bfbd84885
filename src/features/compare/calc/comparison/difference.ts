/** A difference of printed amounts. */
import type { Decimal } from '@/engine/base';

/** The share is of what was before, to six digits; null where that was nothing. */
export function differenceOf(after: Decimal, before: Decimal): { change: string; share: string | null } {
  const change = after.minus(before);
  const share = before.isZero() ? null : change.dividedBy(before).toDecimalPlaces(6).toString();
  return { change: change.toString(), share };
}
