/**
 * Units are types: every unit has a dimension, and only units of one dimension convert into each other, exactly.
 * GB is 10^9 bytes, GiB is 2^30. A GB-month is a GB held for a whole month and is not a GB.
 * Source: pricing rules, "Numbers"; prefixes after IEC 80000-13.
 */
import { Decimal, err, issue, ok, type Result } from '../base';

export type Dimension = 'data' | 'data-month' | 'time' | 'count';

export interface Unit {
  readonly code: string;
  readonly dimension: Dimension;
  /** How many of the dimension's smallest unit (byte, byte-month, second, one) this unit is. */
  readonly factor: Decimal;
}

const DATA: readonly (readonly [string, string])[] = [
  ['B', '1'],
  ['kB', '1e3'],
  ['MB', '1e6'],
  ['GB', '1e9'],
  ['TB', '1e12'],
  ['PB', '1e15'],
  ['KiB', '1024'],
  ['MiB', '1048576'],
  ['GiB', '1073741824'],
  ['TiB', '1099511627776'],
  ['PiB', '1125899906842624'],
];
const TIME: readonly (readonly [string, string])[] = [
  ['second', '1'],
  ['minute', '60'],
  ['hour', '3600'],
  ['day', '86400'],
];
const COUNT: readonly (readonly [string, string])[] = [
  ['request', '1'],
  ['thousand requests', '1e3'],
  ['million requests', '1e6'],
];

const units = new Map<string, Unit>();
function define(dimension: Dimension, rows: readonly (readonly [string, string])[], suffix = ''): void {
  for (const [name, factor] of rows) {
    const code = `${name}${suffix}`;
    units.set(code, Object.freeze({ code, dimension, factor: new Decimal(factor) }));
  }
}
define('data', DATA);
define('data-month', DATA, '-month');
define('time', TIME);
define('count', COUNT);

export const UNIT_CODES: readonly string[] = [...units.keys()];

/** Finds a unit by its exact code. Refused with `unit.unknown`. */
export function unitOf(code: string): Result<Unit> {
  const unit = units.get(code);
  return unit ? ok(unit) : err(issue('unit.unknown', [], { unit: code.slice(0, 40) }));
}

/** The exact factor by which an amount in `from` becomes an amount in `to`. Refused with `unit.mismatch`. */
export function conversionFactor(from: string, to: string): Result<Decimal> {
  const key = `${from}\n${to}`;
  const known = factors.get(key);
  if (known) return known;
  const factor = workOutFactor(from, to);
  if (factor.ok) factors.set(key, factor);
  return factor;
}

const factors = new Map<string, Result<Decimal>>();

function workOutFactor(from: string, to: string): Result<Decimal> {
  const source = unitOf(from);
  if (!source.ok) return source;
  const target = unitOf(to);
  if (!target.ok) return target;
  if (source.value.dimension !== target.value.dimension) {
    return err(issue('unit.mismatch', [], { from, to }));
  }
  return ok(source.value.factor.dividedBy(target.value.factor));
}
