/** What may be called in the expressions of a resource map. Each ends, whatever it is given. */
import { decimal, parseDecimal } from '@/engine/base';
import { SECRET, UNKNOWN, type Value, Within } from './value';

type Tables = Readonly<Record<string, Readonly<Record<string, string | number>>>>;
type Fail = (message: string) => never;

export interface MapFunction {
  readonly least: number;
  readonly most: number;
  /** Is called with what is not known, too. */
  readonly sees?: boolean;
  readonly of: (values: readonly Value[], tables: Tables, fail: Fail) => Value;
}

const MOST_SUMMED = 10_000;

/** A text function: nothing gives nothing, and a number is taken as its digits. */
function onText(parts: number, of: (text: string, ...more: string[]) => Value): MapFunction {
  return {
    least: parts,
    most: parts,
    of: (values, _tables, fail) => {
      if (values[0] === null) return null;
      const texts = values.map((value) =>
        typeof value === 'string' || typeof value === 'number' ? String(value) : fail('It takes a text.'),
      );
      return of(texts[0]!, ...texts.slice(1));
    },
  };
}

function onNumbers(least: number, most: number, of: (numbers: number[]) => number): MapFunction {
  return {
    least,
    most,
    of: (values, _tables, fail) => {
      if (values.includes(null)) return null;
      return of(values.map((value) => (typeof value === 'number' ? value : fail('It takes numbers.'))));
    },
  };
}

function listOf(value: Value | undefined, fail: Fail): readonly Value[] {
  if (value === null || value === undefined) return [];
  const list = value instanceof Within ? value.list : null;
  if (!list) return fail('It takes a list.');
  return list.length > MOST_SUMMED ? fail(`A list has at most ${MOST_SUMMED} entries.`) : list;
}

function numberIn(value: Value): number | null {
  if (typeof value === 'number') return value;
  if (typeof value !== 'string') return null;
  const read = parseDecimal(value.trim());
  return read.ok ? read.value.toNumber() : null;
}

export const FUNCTIONS: Readonly<Record<string, MapFunction>> = {
  number: {
    least: 1,
    most: 1,
    of: ([value], _tables, fail) => (value === null ? null : (numberIn(value!) ?? fail('It is no number.'))),
  },
  text: {
    least: 1,
    most: 1,
    of: ([value], _tables, fail) =>
      value === null ? null : value instanceof Within ? fail('A list is no text.') : String(value as string),
  },
  lower: onText(1, (text) => text.toLowerCase()),
  upper: onText(1, (text) => text.toUpperCase()),
  before: onText(2, (text, mark) => (text.includes(mark!) ? text.slice(0, text.indexOf(mark!)) : text)),
  after: onText(2, (text, mark) =>
    text.includes(mark!) ? text.slice(text.indexOf(mark!) + mark!.length) : text,
  ),
  replace: onText(3, (text, from, to) => (from === '' ? text : text.replaceAll(from!, () => to!))),
  starts: onText(2, (text, mark) => text.startsWith(mark!)),
  ends: onText(2, (text, mark) => text.endsWith(mark!)),
  contains: onText(2, (text, mark) => text.includes(mark!)),
  count: { least: 1, most: 1, of: ([value], _tables, fail) => listOf(value, fail).length },
  sum: {
    least: 1,
    most: 2,
    of: ([value, name], _tables, fail) => {
      let sum = 0;
      for (const each of listOf(value, fail)) {
        const entry = typeof name === 'string' && each instanceof Within ? each.get(name) : each;
        if (entry === SECRET || entry === UNKNOWN) return entry;
        if (entry === null) continue;
        sum = decimal(sum)
          .plus(numberIn(entry) ?? fail('Its entries are no numbers.'))
          .toNumber();
      }
      return sum;
    },
  },
  least: onNumbers(1, 10, (numbers) => numbers.reduce((a, b) => (a < b ? a : b))),
  greatest: onNumbers(1, 10, (numbers) => numbers.reduce((a, b) => (a > b ? a : b))),
  up: onNumbers(1, 1, ([value]) => Math.ceil(value!)),
  down: onNumbers(1, 1, ([value]) => Math.floor(value!)),
  pick: {
    least: 2,
    most: 3,
    of: ([value, table, otherwise = null], tables, fail) => {
      const name = typeof table === 'string' ? table : fail('A table is named by a text.');
      if (!Object.hasOwn(tables, name)) return fail(`The map has no table “${name}”.`);
      const entries = tables[name]!;
      const key = String(value as string);
      return value !== null && Object.hasOwn(entries, key) ? entries[key]! : otherwise;
    },
  },
  known: { least: 1, most: 1, sees: true, of: ([value]) => value !== UNKNOWN && value !== SECRET },
};
