/**
 * Seeded mutations: what people, scripts and strangers put where something else belongs. A value anywhere in a file or
 * an edit is replaced by one at the edge of what there is, left out, doubled, or moved to where it means nothing.
 */
import type { Random } from '@/engine/base';

type Json = null | boolean | number | string | Json[] | { [key: string]: Json };

/** Amounts that some field may take. */
const AMOUNTS = [
  '0',
  '1',
  '0.5',
  '1.5',
  '7',
  '15',
  '24',
  '25',
  '31',
  '40',
  '100',
  '200',
  '744',
  '745',
  '1000000',
  '1000001',
  '999999999999999',
  '999999999999999.999999999999999999',
  '0.000000000000000001',
];
/** And such as none takes. */
const NO_AMOUNTS = [
  '-1',
  '-0',
  '1000000000000000',
  '0.0000000000000000001',
  '1e5',
  '0x10',
  '１２',
  'NaN',
  'Infinity',
  '1'.repeat(5000),
];
const TEXTS = [
  '',
  ' ',
  'constructor',
  '__proto__',
  'toString',
  'a\u0000b',
  'lone \ud800 half',
  '\udc00',
  '😀'.repeat(150),
  '😀'.repeat(250),
  'two\nlines',
  '\u202e reversed',
  '=1+1',
  '../../etc',
  'x'.repeat(10_000),
  'QQQ',
  'XTS',
  'JPY',
  'USD',
  '2027-02-30',
  '2027-13',
  '0000-00',
  '2027-01',
  'maybe',
  'on-demand',
  '36-all-exchangeable',
  'hour',
  'GB-month',
  'always',
];
const NUMBERS = [0, -1, 1, 1.5, 12, 24, 120, 121, 1e9, 2 ** 53, -(2 ** 53), 1e308];
const OTHERS: readonly Json[] = [null, true, false, [], {}, [null], [[]], { likely: '1' }];

const IS_AMOUNT = /^\d+(\.\d+)?$/;

/** Every place in a value, as paths. */
function places(value: Json, at: readonly (string | number)[] = []): (readonly (string | number)[])[] {
  if (value === null || typeof value !== 'object') return [at];
  const inner = Array.isArray(value)
    ? value.map((each, index) => [index, each] as const)
    : Object.entries(value);
  return [at, ...inner.flatMap(([key, each]) => places(each, [...at, key]))];
}

function parentOf(value: Json, path: readonly (string | number)[]): Json[] | { [key: string]: Json } {
  let at = value;
  for (const key of path.slice(0, -1)) at = (at as Record<string | number, Json>)[key]!;
  return at as Json[] | { [key: string]: Json };
}

function valueAt(value: Json, path: readonly (string | number)[]): Json {
  return path.length === 0 ? value : (parentOf(value, path) as Record<string | number, Json>)[path.at(-1)!]!;
}

const pickOf = <T>(random: Random, list: readonly T[]): T => random.pick(list);

/** Another value for what stands there: mostly of its own sort, so that it is taken or nearly taken. */
function edgeFor(random: Random, value: Json): Json {
  if (random.next() < 0.12) return pickOf<Json>(random, [...OTHERS, ...NUMBERS, ...TEXTS]);
  if (typeof value === 'number') return pickOf(random, NUMBERS);
  if (typeof value === 'boolean') return !value;
  if (typeof value === 'string') {
    if (!IS_AMOUNT.test(value)) return pickOf(random, [...TEXTS, ...AMOUNTS]);
    return pickOf(random, random.next() < 0.85 ? AMOUNTS : [...NO_AMOUNTS, ...TEXTS]);
  }
  if (Array.isArray(value)) {
    const times = pickOf(random, [0, 2, 2, 30]);
    return Array.from({ length: times }, () => value).flat();
  }
  return pickOf<Json>(random, [...OTHERS, ...TEXTS]);
}

function isAmount(value: unknown): boolean {
  return (typeof value === 'string' || typeof value === 'number') && IS_AMOUNT.test(String(value));
}

/** A copy with one to three places changed. */
export function mutated<T>(random: Random, original: T): unknown {
  let value = JSON.parse(JSON.stringify(original)) as Json;
  const times = random.whole(1, 3);
  for (let change = 0; change < times; change += 1) {
    const all = places(value);
    const numbers = all.filter((at) => isAmount(valueAt(value, at)));
    const path = pickOf(random, numbers.length > 0 && random.next() < 0.6 ? numbers : all);
    if (path.length === 0) {
      if (random.next() < 0.02) value = edgeFor(random, value);
      continue;
    }
    const parent = parentOf(value, path) as Record<string | number, Json>;
    const key = path.at(-1)!;
    const how = random.next();
    if (how < 0.85) parent[key] = edgeFor(random, parent[key]!);
    else if (how < 0.92 && !Array.isArray(parent)) delete parent[key];
    else if (how < 0.96 && !Array.isArray(parent)) parent[pickOf(random, TEXTS) || 'empty'] = parent[key]!;
    else {
      const from = pickOf(random, all);
      parent[key] = structuredClone(valueAt(value, from));
    }
  }
  return value;
}
