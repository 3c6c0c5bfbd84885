/** Shares as people write them: per cent. What is kept stays the share itself, "0.02" for "2 %". */
import { decimal, err, issue, ok, parseDecimal, type Result } from '@/engine/base';
import { writeNumber } from '@/platform/words';
import { readQuantity } from '@/engine/units';

/** "2" of the share 0.02; empty where there is none. The unit stands beside the field. */
export function percentText(share: string | null | undefined): string {
  const read = parseDecimal(share ?? '');
  return read.ok ? writeNumber(read.value.times(100), undefined, 18) : '';
}

/** Reads "2" or "2 %" as 0.02; never more than `most` per cent, where that is said. */
export function readPercent(text: string, most?: number): Result<string> {
  const read = readQuantity(text.replace(/\s*%\s*$/, ''), 'unit');
  if (!read.ok) return read;
  if (most !== undefined && read.value.amount.greaterThan(most))
    return err(issue('percent.out-of-range', [], { text: text.trim().slice(0, 40), most: String(most) }));
  const share = read.value.amount.dividedBy(decimal('100'));
  return share.decimalPlaces() > 18
    ? err(issue('decimal.not-plain', [], { text: text.trim().slice(0, 40) }))
    : ok(share.toString());
}

/** The same, where nothing typed means none. */
export function readOptionalPercent(text: string, most?: number): Result<string | null> {
  return text.trim() === '' ? ok(null) : readPercent(text, most);
}
