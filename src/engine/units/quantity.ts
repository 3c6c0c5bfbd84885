/** An amount with its unit, and reading one from what a person types. */
import { Decimal, err, issue, ok, parseDecimal, type Result } from '../base';
import { conversionFactor, UNIT_CODES, unitOf } from './unit';

export interface Quantity {
  readonly amount: Decimal;
  readonly unit: string;
}

/**
 * Adds two quantities of the *same* unit; anything else is an error that names both.
 *
 * @example
 * must(addQuantities(must(readQuantity('1 GB', 'GB')), must(readQuantity('500 GB', 'GB')))).amount.toString(); // => '501'
 */
export function addQuantities(a: Quantity, b: Quantity): Result<Quantity> {
  if (a.unit !== b.unit) return err(issue('unit.mismatch', [], { from: a.unit, to: b.unit }));
  return ok({ amount: a.amount.plus(b.amount), unit: a.unit });
}

/**
 * The same amount in another unit of the same dimension, exactly. Refused with `unit.mismatch`, `unit.unknown`.
 *
 * @example
 * must(convertQuantity(must(readQuantity('1 GiB', 'GB')), 'MB')).amount.toString(); // => '1073.741824'
 */
export function convertQuantity(quantity: Quantity, to: string): Result<Quantity> {
  const factor = conversionFactor(quantity.unit, to);
  return factor.ok ? ok({ amount: quantity.amount.times(factor.value), unit: to }) : factor;
}

const STEPS: Readonly<Record<string, string>> = { k: '1e3', M: '1e6', G: '1e9' };
const UNITS_BY_LOWER = new Map(UNIT_CODES.map((code) => [code.toLowerCase(), code]));
const SHORT: Readonly<Record<string, string>> = { h: 'hour', min: 'minute', s: 'second', ms: 'millisecond' };
const LARGEST = new Decimal('1e18');

/**
 * Reads "500 GiB", "1 200", "2.5 TB" or, for counts, "3M". Spaces group thousands; a comma is refused because it
 * could mean either. No unit: `defaultUnit`. Refused with `decimal.*`, `unit.unknown`, `unit.mismatch`,
 * `quantity.negative`, `quantity.too-large`.
 *
 * @example
 * must(readQuantity('1.5 TB', 'GB')).unit; // => 'TB'
 */
export function readQuantity(text: string, defaultUnit: string): Result<Quantity> {
  const plain = text
    .trim()
    .replace(/\u2212/g, '-')
    .replace(/(\d)[\s\u00a0\u202f](?=\d)/g, '$1');
  const match = /^(-?[\d.,]+)\s*(.*)$/.exec(plain);
  if (!match) return err(issue('decimal.not-plain', [], { text: text.slice(0, 40) }));
  const [, digits = '', rest = ''] = match;
  if (digits.includes(',')) return err(issue('decimal.comma-ambiguous', [], { text: digits.slice(0, 40) }));
  const number = parseDecimal(digits);
  if (!number.ok) return number;
  if (number.value.isNegative()) return err(issue('quantity.negative', [], { amount: digits }));
  const read = readUnit(rest, defaultUnit);
  if (!read.ok) return read;
  const amount = number.value.times(read.value.step);
  if (amount.greaterThan(LARGEST))
    return err(issue('quantity.too-large', [], { amount: digits.slice(0, 40) }));
  return ok({ amount, unit: read.value.unit });
}

function readUnit(text: string, defaultUnit: string): Result<{ unit: string; step: Decimal }> {
  const one = new Decimal(1);
  if (text === '') return ok({ unit: defaultUnit, step: one });
  const defaultKnown = unitOf(defaultUnit);
  if (!defaultKnown.ok) return defaultKnown;
  const step = STEPS[text];
  if (step && defaultKnown.value.dimension === 'count')
    return ok({ unit: defaultUnit, step: new Decimal(step) });
  const written = (SHORT[text] ?? text).toLowerCase();
  const code = UNITS_BY_LOWER.get(written) ?? UNITS_BY_LOWER.get(written.replace(/s$/, ''));
  if (!code) return err(issue('unit.unknown', [], { unit: text.slice(0, 40) }));
  const factor = conversionFactor(code, defaultUnit);
  return factor.ok ? ok({ unit: code, step: one }) : factor;
}
