/**
 * Units are types: every unit has a dimension, and only units of one dimension convert into each other, exactly.
 * GB is 10^9 bytes, GiB is 2^30. A GB-month is a GB held for a whole month and is not a GB.
 * Source: pricing rules, "Numbers"; prefixes after IEC 80000-13.
 */
import { Decimal, err, issue, ok, type Result } from '../base';

/**
 * What a unit measures. `x-month` is an x held for a whole month, `x-time` an x for so long (GiB-hour, vCPU-second):
 * neither is an x, and how long a month is belongs to the design's assumptions, so the two do not convert either.
 */
export type Dimension = string;

export interface Unit {
  readonly code: string;
  readonly dimension: Dimension;
  /** How many of the dimension's smallest unit (byte, byte-month, second, one) this unit is. */
  readonly factor: Decimal;
}

type Rows = readonly (readonly [string, string])[];

const DATA: Rows = [
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
const TIME: Rows = [
  ['second', '1'],
  ['millisecond', '0.001'],
  ['minute', '60'],
  ['hour', '3600'],
  ['day', '86400'],
];
/** Counted things. Each is a dimension of its own: a request is not a user. */
const COUNTED: Readonly<Record<string, Rows>> = {
  count: [
    ['request', '1'],
    ['thousand requests', '1e3'],
    ['ten thousand requests', '1e4'],
    ['million requests', '1e6'],
  ],
  item: [
    ['item', '1'],
    ['thousand items', '1e3'],
    ['million items', '1e6'],
  ],
  user: [['user', '1']],
  core: [['core', '1']],
  socket: [['socket', '1']],
  vCPU: [['vCPU', '1']],
  GPU: [['GPU', '1']],
  IOPS: [['IOPS', '1']],
  rate: [['request/s', '1']],
  throughput: [
    ['MB/s', '1e6'],
    ['MiB/s', '1048576'],
  ],
  /** Capacity and consumption units as a provider defines them. */
  unit: [['unit', '1']],
  /** Money in the book's own currency: commitments and prepaid credit are quantities of it. */
  money: [['money', '1']],
};
const HELD = ['item', 'user', 'core', 'socket', 'vCPU', 'IOPS', 'throughput', 'unit', 'money'];
const RUNNING = ['item', 'core', 'vCPU', 'GPU', 'unit', 'money'];

const units = new Map<string, Unit>();
function define(dimension: Dimension, rows: Rows, suffix = '', times = '1'): void {
  for (const [name, factor] of rows) {
    const code = `${name}${suffix}`;
    units.set(code, Object.freeze({ code, dimension, factor: new Decimal(factor).times(times) }));
  }
}
define('data', DATA);
define('data-month', DATA, '-month');
const MEMORY = DATA.filter(([name]) => ['MB', 'GB', 'TB', 'MiB', 'GiB', 'TiB'].includes(name));
define('data-time', MEMORY, '-second');
define('data-time', MEMORY, '-hour', '3600');
define('time', TIME);
for (const [dimension, rows] of Object.entries(COUNTED)) define(dimension, rows);
for (const dimension of HELD) define(`${dimension}-month`, COUNTED[dimension]!, '-month');
for (const dimension of RUNNING) {
  define(`${dimension}-time`, COUNTED[dimension]!, '-second');
  define(`${dimension}-time`, COUNTED[dimension]!, '-hour', '3600');
}
define('period', [
  ['month', '1'],
  ['year', '12'],
]);

export const UNIT_CODES: readonly string[] = [...units.keys()];

/**
 * Finds a unit by its exact code. Refused with `unit.unknown`.
 *
 * @example
 * must(unitOf('GiB')).dimension; // => 'data'
 */
export function unitOf(code: string): Result<Unit> {
  const unit = units.get(code);
  return unit ? ok(unit) : err(issue('unit.unknown', [], { unit: code.slice(0, 40) }));
}

/**
 * The exact factor by which an amount in `from` becomes an amount in `to`. Refused with `unit.mismatch`.
 *
 * @example
 * must(conversionFactor('GiB', 'GB')).toString(); // => '1.073741824'
 */
export function conversionFactor(from: string, to: string): Result<Decimal> {
  const known = factors.get(from)?.get(to);
  if (known) return known;
  const factor = workOutFactor(from, to);
  if (factor.ok) factors.set(from, (factors.get(from) ?? new Map()).set(to, factor));
  return factor;
}

const factors = new Map<string, Map<string, Result<Decimal>>>();

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
