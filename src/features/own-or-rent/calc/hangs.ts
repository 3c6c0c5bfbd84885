/**
 * What the answer hangs on: each assumption alone, from low to high; the value at which the answer turns; which
 * judgements favour which side, and by how much; two assumptions as a map. Needs U4, openings 31 and 32.
 */
import { type Assumption, assumptionsOf, withGuesses } from './assumptions';
import type { Field } from './catalogue';
import type { FastStudy } from './fast-study';
import type { Guess, Study } from './model';

export interface StudySwing {
  readonly id: string;
  readonly low: number;
  readonly high: number;
  /** By how much renting costs more at each end. */
  readonly atLow: number;
  readonly atHigh: number;
  /** Its own range; else a fifth up and down. */
  readonly isOwn: boolean;
}

/** Two ends of an assumption: its own, or a fifth to either side, within what makes sense. */
export function endsOf(
  field: Field,
  { likely, lean, heavy }: Guess,
): { low: number; high: number; isOwn: boolean } {
  const value = Number(likely);
  if (lean !== undefined || heavy !== undefined) {
    const [a, b] = [Number(lean ?? likely), Number(heavy ?? likely)];
    return { low: Math.min(a, b), high: Math.max(a, b), isOwn: true };
  }
  const by = value === 0 ? Number(field.default) * 0.2 || stepFromNothing(field) : Math.abs(value) * 0.2;
  const step = field.whole ? Math.max(1, Math.round(by)) : by;
  const bound = (each: number): number => Math.min(Number(field.most), Math.max(Number(field.least), each));
  return { low: bound(value - step), high: bound(value + step), isOwn: false };
}

/** From nothing there is no fifth: a step that somebody might think of. */
function stepFromNothing({ unit, whole }: Field): number {
  if (unit.startsWith('percent')) return unit === 'percent' ? 10 : 2;
  return whole ? 3 : 0;
}

/**
 * Each assumption alone, the others likely; the widest first. What changes nothing is not there.
 *
 * @example
 * swingsOfStudy(new FastStudy(newStudy({ title: 'Quay', currency: 'USD', origin: 'typed', start: '2027-01' }))); // => []
 */
export function swingsOfStudy(fast: FastStudy): StudySwing[] {
  const values = Float64Array.from(fast.likely);
  const swings = fast.assumptions.flatMap(({ id, field, value }, at): StudySwing[] => {
    const { low, high, isOwn } = endsOf(field, value);
    const [atLow, atHigh] = [low, high].map((end) => {
      values[at] = end;
      return fast.difference(values);
    }) as [number, number];
    values[at] = fast.likely[at]!;
    const isFelt = Math.abs(atHigh - atLow) > CENT;
    return isFelt ? [{ id, low, high, atLow, atHigh, isOwn }] : [];
  });
  return swings.sort((a, b) => widthOf(b) - widthOf(a) || (a.id < b.id ? -1 : 1));
}

const CENT = 0.005;
const widthOf = ({ atLow, atHigh }: StudySwing): number => Math.abs(atHigh - atLow);

export interface BreakEven {
  readonly id: string;
  /** The value next to the likely one at which the answer turns. */
  readonly value: number;
  /** Where renting costs less: above it, or below it. */
  readonly rentsFrom: 'above' | 'below';
}

/** How many values are tried between the ends. */
const TRIED = 32;
/** How far from likely it is looked for. */
const TIMES = 4;

/**
 * The value of one assumption at which owning and renting cost the same, all others likely; null: it does not turn within
 * a quarter and four times of what is likely. Found to a thousandth of the way looked at, or to the whole number.
 *
 * @example
 * breakEvenOf(new FastStudy(newStudy({ title: 'Quay', currency: 'USD', origin: 'typed', start: '2027-01' })), 0); // => null
 */
export function breakEvenOf(fast: FastStudy, at: number): BreakEven | null {
  const { field, value, id } = fast.assumptions[at]!;
  const likely = fast.likely[at]!;
  const own = endsOf(field, value);
  const bound = (each: number): number => Math.min(Number(field.most), Math.max(Number(field.least), each));
  const far = likely === 0 ? own.high * TIMES : likely * TIMES;
  const low = Math.min(own.low, bound(likely > 0 ? likely / TIMES : far < 0 ? far : -Math.abs(far)));
  const high = Math.max(own.high, bound(Math.max(far, likely)));
  const values = Float64Array.from(fast.likely);
  const difference = (each: number): number => {
    values[at] = field.whole ? Math.round(each) : each;
    return fast.difference(values);
  };
  const now = difference(likely);
  if (now === 0) return null;
  const turns = [
    ...turnBetween(difference, now, likely, low),
    ...turnBetween(difference, now, likely, high),
  ].sort((a, b) => Math.abs(a.value - likely) - Math.abs(b.value - likely));
  const [turn] = turns;
  if (!turn) return null;
  const isAbove = turn.value > likely;
  // Renting costs less beyond the turn if it costs more before it.
  const rentsFrom = now > 0 === isAbove ? 'above' : 'below';
  return { id, value: field.whole ? Math.round(turn.value) : turn.value, rentsFrom };
}

/** The first change of sign on the way from likely to an end, narrowed down. */
function turnBetween(
  difference: (value: number) => number,
  now: number,
  likely: number,
  end: number,
): { readonly value: number }[] {
  if (end === likely) return [];
  let before = likely;
  for (let step = 1; step <= TRIED; step += 1) {
    const here = likely + ((end - likely) * step) / TRIED;
    if (Math.sign(difference(here)) !== Math.sign(now)) {
      let [near, beyond] = [before, here];
      for (let half = 0; half < 24 && Math.abs(beyond - near) > Math.abs(end - likely) / 1e6; half += 1) {
        const middle = (near + beyond) / 2;
        if (Math.sign(difference(middle)) === Math.sign(now)) near = middle;
        else beyond = middle;
      }
      return [{ value: beyond }];
    }
    before = here;
  }
  return [];
}

export interface Leaning {
  readonly id: string;
  readonly value: string;
  readonly neutral: string;
  /** By how much renting costs more because of it; below nought: owning does. */
  readonly by: number;
}

/** What a judgement would be if it favoured nobody; null: it is no judgement. */
export function neutralOf(assumptions: readonly Assumption[], at: number): string | null {
  const { field } = assumptions[at]!;
  if (field.neutral === undefined) return null;
  if (typeof field.neutral === 'string') return field.neutral;
  const other = `general/${field.neutral.as}`;
  return assumptions.find(({ id }) => id === other)?.value.likely ?? null;
}

/**
 * Judgements that are not neutral, and what each of them does to the answer, alone; the strongest first.
 *
 * @example
 * leaningsOf(new FastStudy(newStudy({ title: 'Quay', currency: 'USD', origin: 'typed', start: '2027-01' }))).some(({ by }) => by !== 0); // => false
 */
export function leaningsOf(fast: FastStudy): Leaning[] {
  const now = fast.difference(fast.likely);
  const values = Float64Array.from(fast.likely);
  const found = fast.assumptions.flatMap(({ id, value }, at): Leaning[] => {
    const neutral = neutralOf(fast.assumptions, at);
    if (neutral === null || Number(neutral) === fast.likely[at]) return [];
    values[at] = Number(neutral);
    const by = now - fast.difference(values);
    values[at] = fast.likely[at]!;
    return [{ id, value: value.likely, neutral, by }];
  });
  return found.sort((a, b) => Math.abs(b.by) - Math.abs(a.by) || (a.id < b.id ? -1 : 1));
}

export interface StudyMap {
  readonly across: readonly number[];
  readonly down: readonly number[];
  /** Row by row: by how much renting costs more. */
  readonly differences: readonly (readonly number[])[];
}

/**
 * Two assumptions against one another, so many values of each.
 *
 * @example
 * studyMap(new FastStudy(newStudy({ title: 'Quay', currency: 'USD', origin: 'typed', start: '2027-01' })), 0, 1, 3).down.length; // => 3
 */
export function studyMap(fast: FastStudy, across: number, down: number, steps: number): StudyMap {
  const line = (at: number): number[] => {
    const { field, value } = fast.assumptions[at]!;
    const ends = endsOf(field, value);
    const bound = (each: number): number => Math.min(Number(field.most), Math.max(Number(field.least), each));
    // Beyond a fifth, where no range was said.
    const reach = ends.isOwn ? 0 : ends.high - ends.low;
    const [low, high] = [bound(ends.low - reach), bound(ends.high + reach)];
    return Array.from({ length: steps }, (_, step) => low + ((high - low) * step) / Math.max(1, steps - 1));
  };
  const [columns, rows] = [line(across), line(down)];
  const values = Float64Array.from(fast.likely);
  const differences = rows.map((row) =>
    columns.map((column) => {
      values[across] = column;
      values[down] = row;
      return fast.difference(values);
    }),
  );
  return { across: columns, down: rows, differences };
}

/**
 * The study with every judgement at the value that favours nobody, and without a range.
 *
 * @example
 * neutralStudy(newStudy({ title: 'Quay', currency: 'USD', origin: 'typed', start: '2027-01' })).general.trendRent; // => { likely: '0' }
 */
export function neutralStudy(study: Study): Study {
  const assumptions = assumptionsOf(study);
  const values = new Map<string, Guess>();
  assumptions.forEach(({ id }, at) => {
    const likely = neutralOf(assumptions, at);
    if (likely !== null) values.set(id, { likely });
  });
  return withGuesses(study, values);
}
