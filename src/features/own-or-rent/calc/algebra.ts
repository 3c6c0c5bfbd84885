/**
 * The sums that the calculation is written in. It is written once and done in three ways: exact, exact with its
 * explanation, and in doubles where thousands of draws are asked for. What shapes the calendar (months, years until
 * something is replaced) is read as a plain number in all three. A run is something month by month.
 */
import { Decimal, decimal, ONE, roundedUp, ZERO } from '@/engine/base';
import type { Figure } from '@/engine/trace';
import { combine } from '@/engine/trace';

/** By month. */
export interface Run<T> {
  [month: number]: T;
  readonly length: number;
}

export interface Algebra<T> {
  readonly zero: T;
  readonly one: T;
  /** A whole number that stands in the rule itself. */
  fixed(label: string, value: number, unit: string): T;
  sum(label: string, unit: string, parts: readonly T[]): T;
  less(label: string, unit: string, from: T, take: T): T;
  times(label: string, unit: string, a: T, b: T): T;
  over(label: string, unit: string, a: T, b: T): T;
  most(label: string, unit: string, a: T, b: T): T;
  least(label: string, unit: string, a: T, b: T): T;
  /** The next whole number; a hair above one is that one. */
  whole(label: string, unit: string, a: T): T;
  number(a: T): number;
  /** So many months of one value. */
  run(months: number, value: T): Run<T>;
  /** Month by month, by one value for all. */
  runTimes(label: string, unit: string, run: Run<T>, by: T): Run<T>;
  /** Month by month, each by its own. */
  runsTimes(label: string, unit: string, run: Run<T>, by: Run<T>): Run<T>;
  runOver(label: string, unit: string, run: Run<T>, by: T): Run<T>;
  /** What each month is above a value; nothing where it is below. */
  runAbove(label: string, unit: string, run: Run<T>, from: T): Run<T>;
  runWhole(label: string, unit: string, run: Run<T>): Run<T>;
  /** From a month until before another. */
  runSum(label: string, unit: string, run: Run<T>, from: number, to: number): T;
}

type Single<T> = Pick<
  Algebra<T>,
  'zero' | 'one' | 'fixed' | 'sum' | 'less' | 'times' | 'over' | 'most' | 'least' | 'whole' | 'number'
>;

/** Runs as lists: a month that is as the one before is not worked out again. */
function withRuns<T>(single: Single<T>): Algebra<T> {
  const each = (run: Run<T>, step: (value: T) => T): Run<T> => {
    const made: T[] = [];
    for (let month = 0; month < run.length; month += 1)
      made.push(month > 0 && run[month] === run[month - 1] ? made[month - 1]! : step(run[month]!));
    return made;
  };
  return {
    ...single,
    run: (months, value) => Array.from({ length: months }, () => value),
    runTimes: (label, unit, run, by) => each(run, (value) => single.times(label, unit, value, by)),
    runsTimes: (label, unit, run, by) => {
      const made: T[] = [];
      for (let month = 0; month < run.length; month += 1) {
        const isSame = month > 0 && run[month] === run[month - 1] && by[month] === by[month - 1];
        made.push(isSame ? made[month - 1]! : single.times(label, unit, run[month]!, by[month]!));
      }
      return made;
    },
    runOver: (label, unit, run, by) => each(run, (value) => single.over(label, unit, value, by)),
    runAbove: (label, unit, run, from) =>
      each(run, (value) => single.most(label, unit, single.zero, single.less(label, unit, value, from))),
    runWhole: (label, unit, run) => each(run, (value) => single.whole(label, unit, value)),
    runSum: (label, unit, run, from, to) => {
      const parts: T[] = [];
      for (let month = from; month < Math.min(to, run.length); month += 1) parts.push(run[month]!);
      return parts.length === 0 ? single.zero : single.sum(label, unit, parts);
    },
  };
}

const HAIR = 1e-9;

/** Doubles whose runs are used again from the start by whoever says `again`. */
export interface Doubles extends Algebra<number> {
  again(): void;
}

/**
 * For runs of so many months. Plain loops, and memory that is taken once: what makes them fast.
 */
export function doublesFor(months: number): Doubles {
  const pool: Float64Array[] = [];
  let taken = 0;
  const take = (): Float64Array => {
    const made = (pool[taken] ??= new Float64Array(months));
    taken += 1;
    return made;
  };
  return {
    again: () => {
      taken = 0;
    },
    zero: 0,
    one: 1,
    fixed: (_label, value) => value,
    sum: (_label, _unit, parts) => {
      let sum = 0;
      for (let at = 0; at < parts.length; at += 1) sum += parts[at]!;
      return sum;
    },
    less: (_label, _unit, from, by) => from - by,
    times: (_label, _unit, a, b) => a * b,
    over: (_label, _unit, a, b) => a / b,
    most: (_label, _unit, a, b) => (a > b ? a : b),
    least: (_label, _unit, a, b) => (a < b ? a : b),
    whole: (_label, _unit, a) => Math.ceil(a - HAIR),
    number: (a) => a,
    run: (_months, value) => take().fill(value),
    runTimes: (_label, _unit, run, by) => {
      const made = take();
      for (let month = 0; month < made.length; month += 1) made[month] = run[month]! * by;
      return made;
    },
    runsTimes: (_label, _unit, run, by) => {
      const made = take();
      for (let month = 0; month < made.length; month += 1) made[month] = run[month]! * by[month]!;
      return made;
    },
    runOver: (_label, _unit, run, by) => {
      const made = take();
      for (let month = 0; month < made.length; month += 1) made[month] = run[month]! / by;
      return made;
    },
    runAbove: (_label, _unit, run, from) => {
      const made = take();
      for (let month = 0; month < made.length; month += 1) made[month] = Math.max(0, run[month]! - from);
      return made;
    },
    runWhole: (_label, _unit, run) => {
      const made = take();
      for (let month = 0; month < made.length; month += 1) made[month] = Math.ceil(run[month]! - HAIR);
      return made;
    },
    runSum: (_label, _unit, run, from, to) => {
      let sum = 0;
      for (let month = from; month < Math.min(to, run.length); month += 1) sum += run[month]!;
      return sum;
    },
  };
}

export const DECIMALS: Algebra<Decimal> = withRuns<Decimal>({
  zero: ZERO,
  one: ONE,
  fixed: (_label, value) => decimal(String(value)),
  sum: (_label, _unit, parts) => {
    let sum = ZERO;
    for (const part of parts) sum = sum.plus(part);
    return sum;
  },
  less: (_label, _unit, from, take) => from.minus(take),
  times: (_label, _unit, a, b) => (b === ONE ? a : a === ONE ? b : a.times(b)),
  over: (_label, _unit, a, b) => a.dividedBy(b),
  most: (_label, _unit, a, b) => Decimal.max(a, b),
  least: (_label, _unit, a, b) => Decimal.min(a, b),
  whole: (_label, _unit, a) => roundedUp(a),
  number: (a) => a.toNumber(),
});

const leaf = (label: string, value: Decimal, unit: string): Figure => ({
  operation: 'given',
  label,
  value,
  unit,
  parts: [],
});

function step(operation: Figure['operation'], label: string, unit: string, parts: readonly Figure[]): Figure {
  return { operation, label, unit, parts, value: combine(operation, parts) };
}

const NOTHING = leaf('Nothing', ZERO, '');
const WHOLLY = leaf('All of it', ONE, '');

export const FIGURES: Algebra<Figure> = withRuns<Figure>({
  zero: NOTHING,
  one: WHOLLY,
  fixed: (label, value, unit) => leaf(label, decimal(String(value)), unit),
  sum: (label, unit, parts) => step('sum', label, unit, parts),
  less: (label, unit, from, take) => step('difference', label, unit, [from, take]),
  // Once is no step.
  times: (label, unit, a, b) => (b === WHOLLY ? a : a === WHOLLY ? b : step('product', label, unit, [a, b])),
  over: (label, unit, a, b) => step('quotient', label, unit, [a, b]),
  most: (label, unit, a, b) => step('greatest', label, unit, [a, b]),
  least: (label, unit, a, b) => step('least', label, unit, [a, b]),
  whole: (label, unit, a) => step('ceiling', label, unit, [a]),
  number: ({ value }) => value.toNumber(),
});
