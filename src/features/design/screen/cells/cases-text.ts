/**
 * Three cases in one text: "3 / 4 / 6" is lean, likely, heavy; "3..6" is a range, likely stays where it is inside. A
 * single value is the likely one, and widens a range that does not hold it.
 */
import { decimal, Decimal, err, issue, ok, type Result } from '@/engine/base';
import { type Cased, isOutOfOrder, isRanged, withLikely } from '@/engine/usage';

/** A slash between values; one inside a unit (MB/s) has no number behind it. */
const SLASH = /\s*\/\s*(?=[-\u2212]?[\d.,])/;
const DOTS = /\s*(?:\.\.\.?|\u2026)\s*/;

/** The parts of a text: one value, three cases, or the ends of a range. Null: too many or too few. */
export function partsOf(
  text: string,
): readonly [string] | readonly [string, string] | readonly [string, string, string] | null {
  const range = text.split(DOTS);
  if (range.length === 2 && range.every((part) => part.trim() !== ''))
    return withUnits(range) as [string, string];
  const parts = text.split(SLASH);
  if (parts.length === 1) return [text];
  return parts.length === 3 ? (withUnits(parts) as [string, string, string]) : null;
}

/** "3 / 4 / 6 TB": what has no unit has that of the last. */
function withUnits(parts: readonly string[]): string[] {
  const unit = /[\d.,]\s*([^\d\s.,].*)$/.exec(parts.at(-1)!.trim())?.[1] ?? '';
  return parts.map((part) =>
    /[\d.,]\s*[^\d\s.,]/.test(part.trim()) ? part : `${part.trim()} ${unit}`.trim(),
  );
}

/** Reads a text of one or three cases; `read` reads each. Refused with `range.order`, `range.parts`, and what `read` refuses. */
export function readCased(
  text: string,
  before: Cased | null | undefined,
  read: (part: string) => Result<string>,
  whole = false,
): Result<Cased> {
  const parts = partsOf(text);
  if (!parts) return err(issue('range.parts'));
  const values: string[] = [];
  for (const part of parts) {
    const value = read(part);
    if (!value.ok) return value;
    values.push(value.value);
  }
  const [first, second, third] = values;
  if (second === undefined) return ok(withLikely(before ?? { likely: first! }, first!));
  const typed: Cased =
    third === undefined
      ? { lean: first!, likely: within(before?.likely, first!, second, whole), heavy: second }
      : { lean: first!, likely: second, heavy: third };
  return isOutOfOrder(typed) ? err(issue('range.order')) : ok(plain(typed));
}

/** What was likely, where it lies inside; else the middle. */
function within(before: string | undefined, low: string, high: string, whole: boolean): string {
  if (
    before !== undefined &&
    decimal(before).greaterThanOrEqualTo(low) &&
    decimal(before).lessThanOrEqualTo(high)
  )
    return before;
  const middle = decimal(low).plus(high).dividedBy(2);
  return (whole ? middle.toDecimalPlaces(0, Decimal.ROUND_UP) : middle.toDecimalPlaces(18)).toString();
}

/** Ends that are the likely value are no ends. */
function plain({ lean, likely, heavy }: Cased): Cased {
  const same = (end: string | undefined): boolean => end === undefined || decimal(end).equals(likely);
  return { likely, ...(same(lean) ? {} : { lean: lean! }), ...(same(heavy) ? {} : { heavy: heavy! }) };
}

/** The text that reads as these cases: one value where they are one. */
export function casedText(value: Cased, write: (text: string) => string): string {
  const { lean = value.likely, likely, heavy = value.likely } = value;
  return isRanged(value) ? [lean, likely, heavy].map(write).join(' / ') : write(likely);
}
