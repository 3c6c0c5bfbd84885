/** How figures are written for people: grouping, minor digits, true minus. Locale is an argument. */
import { Decimal } from '@/engine/base';
import { halfAwayFromZero, minorDigits } from '@/engine/money';

export interface WrittenAmount {
  /** Sign and whole part, grouped: "−1 234". */
  readonly whole: string;
  /** Decimal sign and minor digits: ".20"; empty for currencies without. */
  readonly minor: string;
}

const separators = new Map<string, { group: string; point: string }>();

function separatorsOf(locale: string): { group: string; point: string } {
  let known = separators.get(locale);
  if (!known) {
    const parts = new Intl.NumberFormat(locale, { useGrouping: true }).formatToParts(1234567.5);
    const find = (type: string, fallback: string): string =>
      parts.find((part) => part.type === type)?.value ?? fallback;
    known = { group: find('group', '\u00a0'), point: find('decimal', '.') };
    separators.set(locale, known);
  }
  return known;
}

/** House style groups by a no-break space and writes a point; another locale's own signs where one is set. */
export const HOUSE = 'house';

function signs(locale: string): { group: string; point: string } {
  return locale === HOUSE ? { group: '\u00a0', point: '.' } : separatorsOf(locale);
}

function groupDigits(digits: string, group: string): string {
  return digits.replace(/\B(?=(\d{3})+(?!\d))/g, group);
}

/**
 * A money amount, rounded half away from zero to the currency's minor digits.
 *
 * @example
 * writeAmount('1234.5', 'USD').whole; // => '1 234'
 */
export function writeAmount(
  value: string | Decimal,
  currency: string,
  locale: string = HOUSE,
): WrittenAmount {
  const digits = minorDigits(currency);
  const rounded = halfAwayFromZero(new Decimal(value), digits);
  const [whole = '0', minor = ''] = rounded.abs().toFixed(digits).split('.');
  const { group, point } = signs(locale);
  const sign = rounded.isNegative() && !rounded.isZero() ? '\u2212' : '';
  return { whole: `${sign}${groupDigits(whole, group)}`, minor: minor ? `${point}${minor}` : '' };
}

/**
 * As one string: "1 234.50".
 *
 * @example
 * writeMoney('0.5', 'USD'); // => '0.50'
 */
export function writeMoney(value: string | Decimal, currency: string, locale: string = HOUSE): string {
  const { whole, minor } = writeAmount(value, currency, locale);
  return `${whole}${minor}`;
}

/**
 * For files and machines: "1234.50", ungrouped, with exactly the currency's minor digits.
 *
 * @example
 * plainMoney(decimal('12.345'), 'USD'); // => '12.35'
 */
export function plainMoney(value: Decimal, currency: string): string {
  const digits = minorDigits(currency);
  return halfAwayFromZero(value, digits).toFixed(digits);
}

/**
 * A quantity or unit price with all the digits it has, at most `most` after the point; small values keep three
 * significant digits, so that nothing is rounded to nothing.
 *
 * @example
 * writeNumber('0.25'); // => '0.25'
 */
export function writeNumber(value: string | Decimal, locale: string = HOUSE, most = 12): string {
  const exact = new Decimal(value);
  const rounded = halfAwayFromZero(exact, most);
  const crushed = !rounded.equals(exact) && exact.abs().lessThan(1) && rounded.precision() < 3;
  const shown = crushed ? exact.toSignificantDigits(3) : rounded;
  const [whole = '0', fraction = ''] = shown.abs().toFixed().split('.');
  const { group, point } = signs(locale);
  const sign = shown.isNegative() && !shown.isZero() ? '\u2212' : '';
  return `${sign}${groupDigits(whole, group)}${fraction ? point + fraction : ''}`;
}

/**
 * A share as a percentage with one digit: 0.3127 → "31.3 %"; below one per cent three significant digits.
 *
 * @example
 * writeShare('0.125'); // => '12.5 %'
 */
export function writeShare(value: string | Decimal, locale: string = HOUSE): string {
  return `${writeNumber(new Decimal(value).times(100), locale, 1)}\u00a0%`;
}

/**
 * A share that somebody entered, with every digit: "2 %", "8.25 %".
 *
 * @example
 * writeEnteredShare('0.02'); // => '2 %'
 */
export function writeEnteredShare(value: string | Decimal, locale: string = HOUSE): string {
  return `${writeNumber(new Decimal(value).times(100), locale, 18)}\u00a0%`;
}

/**
 * A unit price for a column: at least `least` digits after the point, so that points stand under each other.
 *
 * @example
 * writePrice('0.0000231', 2); // => '0.0000231'
 */
export function writePrice(value: string | Decimal, least: number, locale: string = HOUSE): string {
  const { point } = signs(locale);
  const written = writeNumber(value, locale, 18);
  const [whole = '', fraction = ''] = written.split(point);
  return `${whole}${point}${fraction.padEnd(least, '0')}`;
}

/**
 * Groups long runs of digits inside a label: "First 10000 GB" → "First 10 000 GB".
 *
 * @example
 * groupInText('12000 GB'); // => '12 000 GB'
 */
export function groupInText(text: string, locale: string = HOUSE): string {
  const { group } = signs(locale);
  return text.replace(/(?<![\d.])\d{5,}(?!\d)/g, (digits) => groupDigits(digits, group));
}

/** Beyond so many times the whole, a percentage says nothing. */
const MANY = 10;

/**
 * How much of a whole: a percentage, and from ten times on so many times.
 *
 * @example
 * writeReach('0.85'); // => '85 %'
 * writeReach('27826.5'); // => '27 827 times'
 */
export function writeReach(share: string): string {
  const value = new Decimal(share);
  return value.abs().greaterThan(MANY) ? `${writeNumber(value.toDecimalPlaces(0))} times` : writeShare(share);
}
