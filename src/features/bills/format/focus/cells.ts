/** Single cells of a bill: amounts and dates, as they come. */
import { Decimal } from '@/engine/base';

const PLAIN = /^-?\d{1,24}(\.\d{1,18})?$/;
const ANY = /^[+-]?(\d{1,24}(\.\d{0,40})?|\.\d{1,40})(e[+-]?\d{1,2})?$/i;
const LARGEST = new Decimal('1e24');

/** As plain text; null: no number, or none that a bill has. */
export function amountCell(text: string): string | null {
  if (PLAIN.test(text)) return text;
  const trimmed = text.trim();
  if (!ANY.test(trimmed)) return null;
  const value = new Decimal(trimmed);
  return value.abs().lessThan(LARGEST) ? value.toDecimalPlaces(18).toFixed() : null;
}

const ISO = /^(\d{4}-\d\d-\d\d)(?:[T ](\d\d:\d\d(?::\d\d(?:\.\d{1,9})?)?)\s*(Z|UTC|[+-]00:?00)?)?$/;
const days = new Map<string, string | null>();
const MOST_DAYS = 20_000;

/** The day in UTC of an ISO date or instant; null: no date in that form. */
export function dayCell(text: string): string | null {
  const known = days.get(text);
  if (known !== undefined) return known;
  const found = readDay(text.trim());
  if (days.size < MOST_DAYS) days.set(text, found);
  return found;
}

function readDay(text: string): string | null {
  const [, day, time] = ISO.exec(text) ?? [];
  if (day === undefined) return null;
  const at = new Date(`${day}T${time ?? '00:00'}Z`);
  return !Number.isNaN(at.getTime()) && at.toISOString().startsWith(day) ? day : null;
}
