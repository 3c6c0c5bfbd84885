/** What every part of the calculation stands on: assumptions as values, trends by year, load by month, the calendar. */
import type { Algebra, Run } from './algebra';
import type { Filled } from './assumptions';
import type { FlowBook } from './flow-book';
import type { Study, Variant } from './model';

export const MONTHS = 12;

/** Doubles leave a hair: less than this of a thing is none of it. */
export const HAIR = 1e-9;

/** A wave of a variant, in months from the start of the study. */
export interface WaveDates {
  /** Places of its parts in the study. */
  readonly parts: readonly number[];
  readonly from: number;
  /** Months until all of it is rented; it is so from `from + ramp` on, and in the last month of the ramp. */
  readonly ramp: number;
  /** The first month in which it does not run on the owned side. */
  readonly off: number;
  /** Its place in the study. */
  readonly wave: number;
}

export interface Calendar {
  readonly waves: readonly WaveDates[];
  /** When the preparation begins; waves are planned from its end on. */
  readonly prepared: number;
  /** The first month in which nothing is owned any more; endless: something stays. */
  readonly empty: number;
  /** Months in which something is switched off. */
  readonly offs: ReadonlySet<number>;
  /** By part: the first month in which it is not on the owned side; endless: it stays. */
  readonly leaves: readonly number[];
}

export interface Setting<T> {
  readonly a: Algebra<T>;
  readonly study: Study;
  readonly variant: Variant;
  readonly values: Filled<T>;
  readonly book: FlowBook<T>;
  readonly months: number;
  readonly unit: string;
  readonly calendar: Calendar;
  readonly shares: Shares<T>;
  /** By how much machines and stored data have grown. */
  readonly load: Run<T>;
  readonly stored: Run<T>;
  readonly trends: Readonly<Record<Trend, Run<T>>>;
}

/** Prices that change from year to year. */
export type Trend = 'power' | 'people' | 'licences' | 'other' | 'hardware' | 'rent';

/** Percents as shares of one. */
export type Shares<T> = Readonly<
  Record<
    'utilisation' | 'backup' | 'secondSite' | 'resale' | 'taxRate' | 'growth' | 'growthStored' | Trend,
    T
  >
>;

/** The value of an assumption in per cent, as a share of one. */
export const shareOf = <T>(a: Algebra<T>, label: string, percent: T): T =>
  a.over(label, '', percent, a.fixed('Per cent', 100, ''));

/** A count of months; never less than none. */
export const monthsOf = <T>(a: Algebra<T>, value: T): number => Math.max(0, Math.round(a.number(value)));

/** By year: one, then each year's step on the year before. */
function yearly<T>(a: Algebra<T>, label: string, share: T, years: number): T[] {
  const step = a.sum(label, '', [a.fixed('One', 1, ''), share]);
  const trend = [a.one];
  for (let year = 1; year < years; year += 1) trend.push(a.times(label, '', trend[year - 1]!, step));
  return trend;
}

/** A price that takes its step once a year. */
export function trendOver<T>(a: Algebra<T>, label: string, share: T, years: number): Run<T> {
  const run = a.run(years * MONTHS, a.one);
  if (a.number(share) === 0) return run;
  const trend = yearly(a, label, share, years);
  for (let month = MONTHS; month < run.length; month += 1) run[month] = trend[yearOf(month)]!;
  return run;
}

/** By month: each year's step, and within the year in even steps, so that twelve months make a year's growth. */
export function growthOver<T>(a: Algebra<T>, label: string, share: T, years: number): Run<T> {
  const run = a.run(years * MONTHS, a.one);
  if (a.number(share) === 0) return run;
  const trend = yearly(a, label, share, years);
  const twelve = a.fixed('Months of a year', MONTHS, 'months');
  for (let inside = 0; inside < MONTHS; inside += 1) {
    const part =
      inside === 0 ? null : a.over('Of the year', '', a.fixed('Months in', inside, 'months'), twelve);
    const within =
      part === null ? a.one : a.sum('So far in the year', '', [a.one, a.times(label, '', share, part)]);
    for (let year = 0; year < years; year += 1)
      run[year * MONTHS + inside] = a.times(label, '', trend[year]!, within);
  }
  return run;
}

export const yearOf = (month: number): number => Math.floor(month / MONTHS);

/** When what happens under a variant. */
export function calendarOf<T>(a: Algebra<T>, study: Study, variant: Variant, values: Filled<T>): Calendar {
  const at = study.variants.findIndex(({ id }) => id === variant.id);
  const delay = at < 0 ? 0 : monthsOf(a, values.variants[at]!.delay);
  const leaves = study.parts.map(() => Infinity);
  const taken = new Set<number>();
  const waves =
    variant.target === null
      ? []
      : study.waves.flatMap(({ parts: named }, wave): WaveDates[] => {
          const dates = values.waves[wave]!;
          // A part moves once, in the first wave that names it.
          const parts = named.flatMap((id) => {
            const part = study.parts.findIndex((each) => each.id === id);
            if (part < 0 || taken.has(part) || variant.stays.includes(id)) return [];
            taken.add(part);
            return [part];
          });
          if (parts.length === 0) return [];
          const from = delay + monthsOf(a, dates.from);
          const ramp = monthsOf(a, dates.ramp);
          const off = from + ramp + Math.round(a.number(dates.beside));
          for (const part of parts) leaves[part] = off;
          return [{ parts, from, ramp, off, wave }];
        });
  const first = waves.reduce((least, { from }) => Math.min(least, from), Infinity);
  return {
    waves,
    prepared: Math.max(0, first - monthsOf(a, values.general.preparation)),
    empty: leaves.reduce((most, month) => Math.max(most, month), leaves.length === 0 ? Infinity : 0),
    offs: new Set(waves.map(({ off }) => off)),
    leaves,
  };
}
