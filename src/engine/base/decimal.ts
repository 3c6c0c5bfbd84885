/**
 * The one decimal type of the computation: 34 significant digits, half away from zero, never exponent form.
 * Source: pricing rules, "Numbers". Behind this file the library can be exchanged.
 */
import DecimalJs from 'decimal.js';
import { issue, type Issue } from './issue';
import { err, ok, type Result } from './result';

export const Decimal = DecimalJs.clone({
  precision: 34,
  rounding: DecimalJs.ROUND_HALF_UP,
  toExpNeg: -60,
  toExpPos: 60,
});
export type Decimal = DecimalJs;

export const ZERO = new Decimal(0);
export const ONE = new Decimal(1);

/** Plain decimal notation: up to 24 digits before the point and 18 after; no exponent, no grouping. */
export const DECIMAL_TEXT = /^-?\d{1,24}(\.\d{1,18})?$/;

/** Values are immutable, and the same few texts are read at every keystroke: the newest readings are kept. */
const READ_MOST = 20_000;
const read = new Map<string | number, Decimal>();

/**
 * Turns checked text or a small whole number into a decimal. Throws on anything else: call it on checked data.
 *
 * @example
 * decimal('0.1').plus('0.2').toString(); // => '0.3'
 */
export function decimal(value: string | number): Decimal {
  const known = read.get(value);
  if (known) return known;
  const made = new Decimal(value);
  if (read.size >= READ_MOST) read.clear();
  read.set(value, made);
  return made;
}

/**
 * Reads plain decimal notation from anyone's text. Refused with `decimal.not-plain`.
 *
 * @example
 * parseDecimal('1e3').ok; // => false
 */
export function parseDecimal(text: string, path: Issue['path'] = []): Result<Decimal> {
  const trimmed = text.trim();
  if (!DECIMAL_TEXT.test(trimmed)) {
    return err(issue('decimal.not-plain', path, { text: trimmed.slice(0, 40) }));
  }
  return ok(new Decimal(trimmed));
}

const HAIR = new Decimal('1e-22');

/**
 * The value without the hair that a division left: what counts when it is held against a limit.
 *
 * @example
 * withoutHair(decimal('2').dividedBy('3').times('3')).toString(); // => '2'
 */
export function withoutHair(value: Decimal): Decimal {
  return value.abs().lessThan(HAIR) ? ZERO : value.toSignificantDigits(30);
}

/**
 * The next whole number, for started blocks. What differs from a whole number only beyond 30 digits is the hair that a
 * division left, and starts no block of its own.
 *
 * @example
 * roundedUp(decimal('2.01')).toString(); // => '3'
 */
export function roundedUp(value: Decimal): Decimal {
  return withoutHair(value).ceil();
}

/**
 * Which is more, a hair aside: what decides an order must not hang on how a quotient was rounded.
 *
 * @example
 * comparedWithoutHair(decimal('1').dividedBy('3').times('3'), decimal('1')); // => 0
 */
export function comparedWithoutHair(a: Decimal, b: Decimal): number {
  return withoutHair(a).comparedTo(withoutHair(b));
}

/**
 * What is left of `all`; a hair of it is nothing.
 *
 * @example
 * leftOf(decimal('5'), decimal('2')).toString(); // => '3'
 */
export function leftOf(all: Decimal, taken: Decimal): Decimal {
  const left = all.minus(taken);
  return left.lessThanOrEqualTo(all.times('1e-28')) ? ZERO : left;
}

/**
 * Adds exactly, in the order given; an empty list is zero.
 *
 * @example
 * addAll([decimal('1'), decimal('2.5')]).toString(); // => '3.5'
 */
export function addAll(values: readonly Decimal[]): Decimal {
  let total = values[0] ?? ZERO;
  for (let index = 1; index < values.length; index += 1) total = total.plus(values[index]!);
  return total;
}
