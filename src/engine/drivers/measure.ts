/**
 * What a formula's value is measured in: units multiplied and divided by each other. Units that the house knows convert
 * exactly within their dimension; any other word is a thing of its own. GB × 3 requests/GB is requests; GB never is a
 * count. Source: pricing rules, "Numbers", "Load curves".
 */
import { type Decimal, ONE } from '../base';
import { unitOf } from '../units';

interface Part {
  readonly dimension: string;
  /** As it is written. */
  readonly code: string;
  /** How many of the dimension's smallest unit it is. */
  readonly factor: Decimal;
  readonly power: number;
}

export type Measure = readonly Part[];

export const NO_MEASURE: Measure = [];

const SHORT: Readonly<Record<string, string>> = {
  s: 'second',
  seconds: 'second',
  min: 'minute',
  h: 'hour',
  hours: 'hour',
  requests: 'request',
  users: 'user',
};

/** Dimensions that are one thing over another. */
const OVER: Readonly<Record<string, readonly [string, string]>> = {
  rate: ['request', 'second'],
  throughput: ['B', 'second'],
};

/**
 * Reads `GB/user`, `request/s`, `viewer`; empty: a mere number.
 *
 * @example
 * writeMeasure(readMeasure('request/user')); // => 'request/user'
 */
export function readMeasure(text: string): Measure {
  const plain = text.trim();
  if (plain === '' || plain === '1') return NO_MEASURE;
  let measure: Measure = NO_MEASURE;
  plain.split('/').forEach((piece, at) => {
    for (const word of piece.split(/[*·]/)) {
      const code = word.trim();
      if (code !== '' && code !== '1') measure = joined(measure, partsOf(code, at === 0 ? 1 : -1)).measure;
    }
  });
  return measure;
}

function partsOf(word: string, power: number): Measure {
  const code = SHORT[word] ?? word;
  const unit = unitOf(code);
  if (!unit.ok) return [{ dimension: `own ${code}`, code, factor: ONE, power }];
  const { dimension, factor } = unit.value;
  const over = OVER[dimension];
  if (!over) return [{ dimension, code, factor, power }];
  const [above, below] = over.map((each) => unitOf(each));
  if (!above!.ok || !below!.ok) return NO_MEASURE;
  return [
    { ...above!.value, factor, power },
    { ...below!.value, power: -power },
  ];
}

/** A product of two measures: what cancels is gone, and what converts within is a scale. */
export interface Joined {
  readonly measure: Measure;
  /** By which the product of the two numbers is multiplied. */
  readonly scale: Decimal;
}

/**
 * Measures of a product; with `power` −1 of a quotient.
 *
 * @example
 * writeMeasure(joined(readMeasure('GB'), readMeasure('request/GB')).measure); // => 'request'
 */
export function joined(left: Measure, right: Measure, power: 1 | -1 = 1): Joined {
  const parts = new Map(left.map((part) => [part.dimension, part]));
  let scale = ONE;
  for (const part of right) {
    const own = { ...part, power: part.power * power };
    const known = parts.get(part.dimension);
    if (!known) {
      parts.set(part.dimension, own);
      continue;
    }
    scale = scale.times(own.factor.dividedBy(known.factor).pow(own.power));
    const together = known.power + own.power;
    if (together === 0) parts.delete(part.dimension);
    else parts.set(part.dimension, { ...known, power: together });
  }
  return { measure: [...parts.values()], scale };
}

/**
 * By what an amount in `from` is multiplied to be one in `to`; null: they measure different things.
 *
 * @example
 * scaleBetween(readMeasure('MB'), readMeasure('GB'))?.toString(); // => '0.001'
 */
export function scaleBetween(from: Measure, to: Measure): Decimal | null {
  const { measure, scale } = joined(from, to, -1);
  return measure.length === 0 ? scale : null;
}

/**
 * One thing that the house has no unit for: a machine, a customer. Such things may be counted.
 *
 * @example
 * isOwnThing(readMeasure('machine')); // => true
 */
export function isOwnThing(measure: Measure): boolean {
  return measure.length === 1 && measure[0]!.power === 1 && measure[0]!.dimension.startsWith('own ');
}

/**
 * @example
 * writeMeasure(readMeasure('GB/month')); // => 'GB/month'
 */
export function writeMeasure(measure: Measure): string {
  const side = (sign: 1 | -1): string[] =>
    measure
      .filter(({ power }) => Math.sign(power) === sign)
      .map(({ code, power }) => (Math.abs(power) === 1 ? code : `${code}^${Math.abs(power)}`));
  const [above, below] = [side(1), side(-1)];
  if (below.length === 0) return above.join('·');
  return [above.join('·') || '1', ...below].join('/');
}
