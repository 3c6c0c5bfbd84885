/** Rows of one rate: a price, or the tiers of a graduated one, which must join. */
import type { Decimal } from '@/engine/base';
import type { ListColumn } from './map-schema';

export interface TierRow {
  readonly line: number;
  readonly price: Decimal;
  readonly from: Decimal | null;
  readonly upTo: Decimal | null;
  /** What the list counts by: bounds of next tiers may begin one of it later. */
  readonly one: Decimal;
}

export interface TierFault {
  readonly line: number;
  readonly column: ListColumn;
  readonly message: string;
}

export interface ReadTiers {
  readonly tiers: readonly { readonly upTo: string | null; readonly price: string }[];
  readonly faults: readonly TierFault[];
}

/** One row without bounds is a plain price. */
export const isPlain = (rows: readonly TierRow[]): boolean =>
  rows.length === 1 && (rows[0]!.from === null || rows[0]!.from.isZero()) && rows[0]!.upTo === null;

export function readTiers(rows: readonly TierRow[]): ReadTiers {
  const hasFrom = rows.some(({ from }) => from !== null);
  const sorted = [...rows].sort((a, b) =>
    hasFrom
      ? (a.from?.toNumber() ?? 0) - (b.from?.toNumber() ?? 0)
      : (a.upTo?.toNumber() ?? Infinity) - (b.upTo?.toNumber() ?? Infinity),
  );
  const faults: TierFault[] = [];
  const tiers = sorted.map(({ line, price, from, upTo, one }, at) => {
    const next = sorted[at + 1];
    const end = upTo ?? (hasFrom && next ? next.from : null);
    const isLast = next === undefined;
    if (hasFrom && at === 0 && from && !from.isZero())
      faults.push({
        line,
        column: 'tierFrom',
        message: `the tiers begin at ${from}; what is below has no price`,
      });
    if (
      hasFrom &&
      upTo !== null &&
      next?.from &&
      !upTo.equals(next.from) &&
      !upTo.plus(one).equals(next.from)
    )
      faults.push({
        ...{ line, column: 'tierUpTo' as const },
        message: `ends at ${upTo}, and the next begins at ${next.from} (row ${next.line})`,
      });
    if (!isLast && (end === null || (next && sameEnd(next, sorted[at]!, hasFrom))))
      faults.push({
        ...{ line, column: hasFrom ? ('tierFrom' as const) : ('tierUpTo' as const) },
        message: `stands twice: row ${next.line} has the same bound for the same rate`,
      });
    if (isLast && end !== null)
      faults.push({ line, column: 'tierUpTo', message: `ends at ${end}; what is above has no price` });
    return { upTo: isLast ? null : (end?.toString() ?? null), price: price.toString() };
  });
  return { tiers, faults };
}

const sameEnd = (a: TierRow, b: TierRow, hasFrom: boolean): boolean =>
  hasFrom
    ? (a.from?.toString() ?? '0') === (b.from?.toString() ?? '0')
    : (a.upTo?.toString() ?? '') === (b.upTo?.toString() ?? '');
