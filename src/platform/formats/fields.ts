/** Fields that every format shares: bounded text without control characters, plain decimals, codes, dates. */
import { z } from 'zod';
import { CURRENCY_CODE } from '@/engine/money';
import { TERMS, type Term } from '@/engine/terms';
import { daysInMonth } from '@/engine/time';
import { UNIT_CODES } from '@/engine/units';

export const LIMITS = { name: 200, text: 2000, sections: 200, components: 5000, rates: 2_000_000 } as const;

/** No control characters, and no half of a character that is written as two. */
const NO_CONTROL = /^[^\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f\p{Cs}]*$/u;

/** Names stand on one line. */
const ONE_LINE = /^[^\u0000-\u001f\u007f-\u009f\u2028\u2029\p{Cs}]*$/u;

/** Characters as a person counts them: an emoji is one, though it is written as two. */
const atMost = (most: number) => (text: string) => text.length <= most || [...text].length <= most;

export const name = z
  .string()
  .trim()
  .min(1, 'must not be empty')
  .max(4 * LIMITS.name, `must be at most ${LIMITS.name} characters`)
  .refine(atMost(LIMITS.name), `must be at most ${LIMITS.name} characters`)
  .regex(ONE_LINE, 'must stand on one line, without control characters or half characters');

export const longText = z
  .string()
  .max(4 * LIMITS.text, `must be at most ${LIMITS.text} characters`)
  .refine(atMost(LIMITS.text), `must be at most ${LIMITS.text} characters`)
  .regex(NO_CONTROL, 'must not contain control characters or half characters');

/** Up to 15 digits before the point: more than any price, byte or request that is planned; sums stay exact. */
export const AMOUNT_TEXT = /^\d{1,15}(\.\d{1,18})?$/;

export const amountText = z
  .string()
  .regex(
    /^-?\d{1,15}(\.\d{1,18})?$/,
    'must be a plain decimal as text, for example "0.0425" (no exponent, at most 15 digits before the point and 18 after)',
  )
  .refine((text) => !text.startsWith('-'), 'must not be negative');

/** An amount that has a sensible end; `why` says it with the end. */
export const amountUpTo = (most: number, why: string) =>
  amountText.refine((text) => !(Number(text) > most), why);

export const positiveText = amountText.refine((text) => !(Number(text) <= 0), 'must be above zero');

/** Identifiers in files: letters, digits, dot, dash, underscore. */
export const code = z
  .string()
  .regex(/^[A-Za-z0-9][A-Za-z0-9._-]{0,79}$/, 'must be 1 to 80 letters, digits, dots, dashes or underscores');

const CURRENCIES: ReadonlySet<string> = new Set(Intl.supportedValuesOf('currency'));

export const currency = z
  .string()
  .regex(CURRENCY_CODE, 'must be a currency code of three capital letters')
  .refine(
    (text) => !CURRENCY_CODE.test(text) || CURRENCIES.has(text),
    'must be a currency that there is, such as USD or EUR',
  );

export const isoDate = z
  .string()
  .regex(/^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, 'must be a date like 2026-11-01')
  .refine(isInCalendar, 'must be a day that the calendar has');

function isInCalendar(text: string): boolean {
  const [year, month, day] = text.split('-').map(Number) as [number, number, number];
  return day <= daysInMonth(year, month);
}

export const unit = z.enum(UNIT_CODES as [string, ...string[]]);

export const term = z.enum(TERMS as [Term, ...Term[]]);
