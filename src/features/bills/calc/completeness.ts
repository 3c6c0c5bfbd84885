/** How much of a day is there by its age: learnt from what earlier files of a bill had of days that are complete by now. */
import { type Decimal, decimal, ONE, ZERO } from '@/engine/base';
import { periodDays } from './bill';

/** What one file had of a day. */
export interface SeenDay {
  /** Which file, counted up. */
  readonly revision: number;
  readonly day: string;
  readonly cost: string;
}

/** Older days are taken as complete. */
const OLDEST = 6;
/** A day that is so old in the newest file says how much it really was. */
const SETTLED = 3;
/** Nearer to all than this is all. */
const ALL = decimal('0.995');
const DIGITS = 6;

/**
 * The first is the newest day's share. Empty: nothing is known, or days come whole.
 *
 * @example
 * const seen = [['1', '6'], ['2', '6'], ['3', '6'], ['4', '6']].map(([day, cost]) => ({ revision: Number(day), day: `2026-11-0${day}`, cost }));
 * completenessOf([...seen, { revision: 4, day: '2026-11-01', cost: '10' }]); // => ['0.6']
 */
export function completenessOf(seen: readonly SeenDay[]): string[] {
  const last = Math.max(0, ...seen.map(({ revision }) => revision));
  const newest = new Map(seen.filter((each) => each.revision === last).map(({ day, cost }) => [day, cost]));
  const end = newestDay(newest.keys());
  if (end === null) return [];
  const sums = Array.from({ length: OLDEST }, () => ({ had: ZERO, has: ZERO }));
  const revisions = new Map<number, SeenDay[]>();
  for (const each of seen)
    if (each.revision !== last) revisions.set(each.revision, [...(revisions.get(each.revision) ?? []), each]);
  for (const days of revisions.values()) {
    const then = newestDay(days.map(({ day }) => day))!;
    for (const { day, cost } of days) {
      const age = between(day, then);
      const now = newest.get(day);
      if (age >= OLDEST || now === undefined || between(day, end) < SETTLED) continue;
      const sum = sums[age]!;
      sum.had = sum.had.plus(cost);
      sum.has = sum.has.plus(now);
    }
  }
  const shares: Decimal[] = [];
  // A day is no more complete than one that is older: where nothing is known of an age, that of the next holds.
  for (const { had, has } of sums.toReversed())
    shares.unshift(has.greaterThan(0) && had.greaterThan(0) ? had.dividedBy(has) : (shares[0] ?? ONE));
  const isPart = shares.map((share) => share.lessThan(ALL));
  return shares
    .slice(0, isPart.lastIndexOf(true) + 1)
    .map((share, at) => (isPart[at] ? share.toDecimalPlaces(DIGITS).toString() : '1'));
}

const between = (from: string, to: string): number => periodDays({ from, to });

const newestDay = (days: Iterable<string>): string | null => [...days].sort().at(-1) ?? null;
