/**
 * What the lines of a side are printed with. A line that costs exactly what it costs in the baseline is printed alike, so
 * that no cent wanders by rounding; the others are rounded so that all of them add up to the side's own total. Where they
 * cannot take up what is left, all lines are printed as in a design of its own.
 */
import { addAll, decimal, type Decimal } from '@/engine/base';
import { minorDigits, roundRows } from '@/engine/money';
import type { DesignSummary, LineSummary } from '@/engine/summary';

interface Printed {
  readonly lines: ReadonlyMap<string, LineSummary>;
  readonly printed: ReadonlyMap<string, string>;
}

/** By line; lines without an amount are not in it. */
export function printedOf(
  summary: DesignSummary,
  lines: ReadonlyMap<string, LineSummary>,
  baseline: Printed | null,
): ReadonlyMap<string, string> {
  const priced = [...lines.values()].filter((line) => line.printed !== null && line.monthly !== null);
  const own = new Map(priced.map(({ id, printed }) => [id, printed!]));
  if (!baseline) return own;
  const kept = new Map<string, string>();
  const others: LineSummary[] = [];
  for (const line of priced) {
    const before = baseline.lines.get(line.id)?.monthly;
    const alike = before != null && decimal(before).equals(line.monthly!);
    if (alike) kept.set(line.id, baseline.printed.get(line.id)!);
    else others.push(line);
  }
  const digits = minorDigits(summary.currency);
  const rows = others.map(({ monthly }) => decimal(monthly!));
  const left = decimal(summary.printed).minus(addAll([...kept.values()].map(decimal)));
  if (!canTake(rows, left, digits)) return own;
  const rounded = roundRows(rows, digits, left);
  others.forEach(({ id }, at) => kept.set(id, rounded[at]!.toString()));
  return kept;
}

/** Each row may be printed less than one minor unit off, and no more. */
function canTake(rows: readonly Decimal[], left: Decimal, digits: number): boolean {
  if (rows.length === 0) return left.isZero();
  return left
    .minus(addAll(rows))
    .abs()
    .lessThan(decimal(rows.length).times(`1e-${digits}`));
}
