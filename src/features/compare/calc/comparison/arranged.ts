/** A comparison with fewer sides, or its sides in another order. The baseline stays, and stays first. No amount changes. */
import { decimal } from '@/engine/base';
import type { ComparedRow, Comparison } from './model';

export interface Arrangement {
  /** Ids of sides that are not shown. */
  readonly hidden: ReadonlySet<string>;
  /** From what costs least; as they stand in the design otherwise. */
  readonly byAmount: boolean;
}

/**
 * @example
 * const same = { id: 'x', name: 'Same', note: '', changes: [] };
 * arranged(compareDesign(design, books, 'section', [same]), { hidden: new Set(['x']), byAmount: false }).columns.length; // => 1
 */
export function arranged(comparison: Comparison, { hidden, byAmount }: Arrangement): Comparison {
  const { columns, groups, cheapest } = comparison;
  const shown = columns.flatMap(({ id }, at) => (id === null || !hidden.has(id) ? [at] : []));
  if (!byAmount && shown.length === columns.length) return comparison;
  const [own, ...others] = shown;
  if (byAmount) {
    others.sort((a, b) => decimal(columns[a]!.printed).comparedTo(decimal(columns[b]!.printed)) || a - b);
  }
  const order = [own!, ...others];
  const row = <R extends ComparedRow>(each: R): R => ({ ...each, cells: order.map((at) => each.cells[at]!) });
  const complete = order.flatMap((from, at) => (columns[from]!.complete ? [at] : []));
  return {
    ...comparison,
    columns: order.map((at) => columns[at]!),
    groups: groups.map((group) => ({ ...row(group), lines: group.lines.map(row) })),
    cheapest:
      cheapest === null || order.includes(cheapest)
        ? cheapest && order.indexOf(cheapest)
        : complete.reduce<number | null>(
            (best, at) =>
              best === null || decimal(columns[order[at]!]!.printed).lessThan(columns[order[best]!]!.printed)
                ? at
                : best,
            null,
          ),
  };
}
