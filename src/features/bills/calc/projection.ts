/**
 * Where a period will close: from what each day cost so far, how weekdays differ, fees that are known by their date, and how
 * complete the newest days are. With a range from how far single days lie off. Source: pricing rules, "Bills".
 */
import { addAll, type Decimal, decimal, ONE, ZERO } from '@/engine/base';
import { dayAfter } from './bill';

export interface DayCost {
  /** ISO date. */
  readonly day: string;
  /** What is billed of it so far, without fees that are known by their date. */
  readonly cost: string;
}

export interface ProjectionAsked {
  /** First day of the period, and the first after it: a period need not be a month. */
  readonly from: string;
  readonly to: string;
  /** The newest day that is known of the bill as a whole: a part without rows on it cost nothing. Absent: that of `days`. */
  readonly newest?: string;
  /** Days that have rows, of this period and of those before it; in any order. */
  readonly days: readonly DayCost[];
  /** Fees and purchases, by the day on which they are charged; those to come, too. */
  readonly fees: readonly DayCost[];
  /**
   * How much of a day is there by its age: the first is that of the newest day of `days`. Beyond the list a day is complete.
   */
  readonly completeness: readonly string[];
  /** How far periods before came to rest from what would have been said, as a share of what was to come. None: not tried. */
  readonly past?: readonly string[];
}

export interface ProjectedDay {
  readonly day: string;
  /** Sum from the first day on. */
  readonly soFar: string;
  /** It is worked out, not billed. */
  readonly isAhead: boolean;
}

export interface Projection {
  readonly billed: string;
  /** Where nine of ten such months close above, in the middle, and one of ten. */
  readonly low: string;
  readonly likely: string;
  readonly high: string;
  readonly days: readonly ProjectedDay[];
  /** Of so many days it is worked out. */
  readonly from: number;
  /** What an ordinary day costs now: of the newest days, without fees. */
  readonly pace: string;
  /** So many periods before make the range, as they came to rest further off than single days say; 0: single days do. */
  readonly rangeOf: number;
}

const WEEK = 7;
/** Days that say how high a day is; older ones only say how weekdays differ. */
const LEVEL_DAYS = 28;
/** Of each weekday, so that one odd day is no pattern. */
const LEAST_OF_WEEKDAY = 2;
/** Days that say how high a day is now: one is an accident. */
const PACE_DAYS = 3;
/** One of ten of a normal distribution lies beyond so many deviations. */
const ONE_OF_TEN = decimal('1.2815515655446004');
/** The same where the deviation is known of so few periods only: one, two, and so on (Student's t). */
const ONE_OF_TEN_OF_FEW = ['3.0777', '1.8856', '1.6377', '1.5332', '1.4759', '1.4398'];
const DIGITS = 18;
const MILLISECONDS = 86_400_000;

/**
 * Null: no day has rows yet, or the period has no day.
 *
 * @example
 * const days = ['01', '02', '03'].map((day) => ({ day: `2026-11-${day}`, cost: '10' }));
 * projectClose({ from: '2026-11-01', to: '2026-12-01', days, fees: [], completeness: [] }).likely; // => '300'
 */
export function projectClose(asked: ProjectionAsked): Projection | null {
  const { from, to, fees } = asked;
  const length = daysBetween(from, to);
  const days = wholeDays(asked);
  const last = days.at(-1)?.day ?? asked.newest;
  if (length <= 0 || last === undefined) return null;
  const pattern = weekdayPattern(days);
  const recent = days.slice(-LEVEL_DAYS);
  const levels = recent.map(({ day, cost }) => over(cost, pattern[weekdayOf(day)]!));
  const level = levels.length === 0 ? ZERO : over(addAll(levels), decimal(levels.length));
  const newest = levels.slice(-PACE_DAYS);
  const pace = newest.length === 0 ? ZERO : over(addAll(newest), decimal(newest.length));
  const ahead = Array.from({ length }, (_, at) => dayAfter(from, at)).filter((day) => day > last);
  const costs = new Map(byDay(asked.days).map(({ day, cost }) => [day, cost]));
  // What is still to come of days that are known comes on the next.
  const late = addAll(
    days.flatMap(({ day, cost }) => (day >= from && day < to ? [cost.minus(costs.get(day) ?? ZERO)] : [])),
  );
  const lateOn = ahead[0] ?? dayAfter(to, -1);
  const feeOf = new Map(byDay(fees).map(({ day, cost }) => [day, cost]));
  let soFar = ZERO;
  const shown = Array.from({ length }, (_, at): ProjectedDay => {
    const day = dayAfter(from, at);
    const isAhead = day > last;
    const cost = isAhead ? level.times(pattern[weekdayOf(day)]!) : (costs.get(day) ?? ZERO);
    soFar = soFar
      .plus(cost)
      .plus(feeOf.get(day) ?? ZERO)
      .plus(day === lateOn ? late : ZERO);
    return { day, soFar: text(soFar), isAhead };
  });
  // Each day ahead lies off as those before did; and all of them by how little is known of the level.
  const off = spread(levels, level);
  const left = decimal(ahead.length);
  const ofDays =
    levels.length === 0
      ? ZERO
      : off.times(left.times(ONE.plus(over(left, decimal(levels.length)))).sqrt()).times(ONE_OF_TEN);
  const billed = addAll(
    asked.days.flatMap(({ day, cost }) => (day >= from && day < to ? [decimal(cost)] : [])),
  ).plus(addAll(fees.flatMap((fee) => (fee.day >= from && fee.day <= last ? [decimal(fee.cost)] : []))));
  const ofPast = farOff(asked.past ?? []).times(soFar.minus(billed).abs());
  const wide = ofPast.greaterThan(ofDays) ? ofPast : ofDays;
  return {
    billed: text(billed),
    low: text(soFar.minus(wide)),
    likely: text(soFar),
    high: text(soFar.plus(wide)),
    days: shown,
    from: recent.length,
    pace: text(pace),
    rangeOf: ofPast.greaterThan(ofDays) ? asked.past!.length : 0,
  };
}

/** Of what is to come, the share beyond which one of ten lies on either side; nought where nothing was tried. */
function farOff(past: readonly string[]): Decimal {
  if (past.length === 0) return ZERO;
  const few = ONE_OF_TEN_OF_FEW[past.length - 1];
  const mean = over(addAll(past.map((each) => decimal(each).pow(2))), decimal(past.length));
  return mean.sqrt().times(few === undefined ? ONE_OF_TEN : decimal(few));
}

interface WholeDay {
  readonly day: string;
  readonly cost: Decimal;
}

/** As they will be once every row of them is there; from the first with rows to the newest, without a gap. */
function wholeDays({ days, completeness, newest }: ProjectionAsked): WholeDay[] {
  const known = new Map(byDay(days).map(({ day, cost }) => [day, cost]));
  const [first] = [...known.keys()].sort();
  if (first === undefined) return [];
  const end = [...known.keys(), newest ?? first].sort().at(-1)!;
  return Array.from({ length: daysBetween(first, end) + 1 }, (_, at): WholeDay => {
    const day = dayAfter(first, at);
    const cost = known.get(day) ?? ZERO;
    const share = completeness[daysBetween(day, end)];
    const isPart = share !== undefined && decimal(share).greaterThan(0);
    return { day, cost: isPart ? over(cost, decimal(share)) : cost };
  });
}

function byDay(all: readonly DayCost[]): WholeDay[] {
  const sums = new Map<string, Decimal>();
  for (const { day, cost } of all) sums.set(day, (sums.get(day) ?? ZERO).plus(cost));
  return [...sums].map(([day, cost]) => ({ day, cost }));
}

/** How many times the average day each weekday is, Monday first; all alike where too little is known. */
function weekdayPattern(days: readonly WholeDay[]): readonly Decimal[] {
  const alike = Array.from({ length: WEEK }, () => ONE);
  const groups = alike.map((_, weekday) => days.filter(({ day }) => weekdayOf(day) === weekday));
  if (groups.some((group) => group.length < LEAST_OF_WEEKDAY)) return alike;
  const means = groups.map((group) => over(addAll(group.map(({ cost }) => cost)), decimal(group.length)));
  const mean = over(addAll(means), decimal(WEEK));
  // A weekday without any cost would make its days say nothing of the level.
  return mean.isZero() || means.some((each) => each.lessThanOrEqualTo(0))
    ? alike
    : means.map((each) => over(each, mean));
}

/** Standard deviation. */
function spread(levels: readonly Decimal[], mean: Decimal): Decimal {
  if (levels.length < 2) return ZERO;
  const squares = addAll(levels.map((each) => each.minus(mean).pow(2)));
  return over(squares, decimal(levels.length - 1)).sqrt();
}

const over = (value: Decimal, by: Decimal): Decimal => value.dividedBy(by);
const text = (value: Decimal): string => value.toDecimalPlaces(DIGITS).toString();

const dayNumber = (day: string): number => Date.parse(`${day}T00:00:00Z`) / MILLISECONDS;
const daysBetween = (from: string, to: string): number => dayNumber(to) - dayNumber(from);
/** Monday is nought. */
const weekdayOf = (day: string): number => (((dayNumber(day) + 3) % WEEK) + WEEK) % WEEK;
