/** Units as bills write them ("Hours", "GB-Months", "1000 Requests") in ours. Source: FOCUS, unit format. */
import { type Decimal, decimal } from '@/engine/base';
import { unitOf } from '@/engine/units';

export interface BillUnit {
  readonly unit: string;
  /** One of the bill's unit is so many of ours. */
  readonly factor: Decimal;
}

const LOTS: Readonly<Record<string, string>> = { thousand: '1000', million: '1000000' };
const WORDS: ReadonlyMap<string, string> = new Map(
  ['second', 'minute', 'hour', 'day', 'month', 'request', 'item', 'user', 'core', 'socket', 'unit'].flatMap(
    (word): [string, string][] => [
      [word, word],
      [`${word}s`, word],
    ],
  ),
);

/**
 * Null: none of ours. Words do not mind capitals or plurals; GB and GiB stay apart.
 *
 * @example
 * billUnit('GB-Hours')?.unit; // => 'GB-hour'
 * billUnit('1000 Requests')?.factor.toString(); // => '1000'
 */
export function billUnit(text: string): BillUnit | null {
  const known = seen.get(text);
  if (known !== undefined) return known;
  const found = readUnit(text.trim());
  if (seen.size < MOST_KEPT) seen.set(text, found);
  return found;
}

const MOST_KEPT = 2000;
const seen = new Map<string, BillUnit | null>();

function readUnit(text: string): BillUnit | null {
  if (unitOf(text).ok) return { unit: text, factor: decimal('1') };
  const [, lot, rest] = /^(\d{1,12}|thousand|million)\s+(.+)$/i.exec(text) ?? [null, null, text];
  const unit = rest!
    .split('-')
    .map((word) => WORDS.get(word.toLowerCase()) ?? word)
    .join('-');
  if (!unitOf(unit).ok) return null;
  return { unit, factor: decimal(lot ? (LOTS[lot.toLowerCase()] ?? lot) : '1') };
}
