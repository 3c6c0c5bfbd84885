/** Whether a projection is worth anything: what it would have said of periods that are over, and how far off it was. */
import { addAll, type Decimal, decimal } from '@/engine/base';
import { type BillPeriod, dayAfter, periodDays } from './bill';
import { type DayCost, projectClose } from './projection';

export interface PastPeriod extends BillPeriod {
  readonly days: readonly DayCost[];
  readonly fees: readonly DayCost[];
}

export interface BackTested extends BillPeriod {
  /** What would have been said when so many days were known. */
  readonly low: string;
  readonly likely: string;
  readonly high: string;
  /** What it came to. */
  readonly actual: string;
  /** Of what it came to, so much too high; negative: too low. Null: it came to nothing. */
  readonly off: string | null;
  /** Of what was to come then, so much more came; negative: less. Null: nothing was to come. */
  readonly beside: string | null;
  /** It came to rest within the range. */
  readonly isWithin: boolean;
}

const DIGITS = 6;

/**
 * Each period as it stood when so many of its days were known, oldest first as given; those that are shorter are left out.
 * What was known of fees is what had been charged by then, and of periods before those before it.
 *
 * @example
 * const days = daysOfPeriod({ from: '2026-11-01', to: '2026-12-01' }).map((day) => ({ day, cost: '10' }));
 * backTest([{ from: '2026-11-01', to: '2026-12-01', days, fees: [] }], 18).map(({ likely, actual, off }) => [likely, actual, off]); // => [['300', '300', '0']]
 */
export function backTest(periods: readonly PastPeriod[], known: number): BackTested[] {
  const past: string[] = [];
  return periods.flatMap(({ from, to, days, fees }): BackTested[] => {
    if (known < 1 || known >= periodDays({ from, to })) return [];
    const last = dayAfter(from, known - 1);
    const until = (all: readonly DayCost[]): DayCost[] => all.filter(({ day }) => day <= last);
    const said = projectClose({
      ...{ from, to, newest: last, days: until(days), fees: until(fees), completeness: [], past: [...past] },
    });
    if (!said) return [];
    const actual = addAll([...days, ...fees].map(({ cost }) => decimal(cost)));
    const { low, likely, high, billed } = said;
    const toCome = decimal(likely).minus(billed);
    const beside = toCome.isZero() ? null : share(actual.minus(likely), toCome);
    if (beside !== null) past.push(beside);
    return [
      {
        ...{ from, to, low, likely, high, actual: actual.toString() },
        off: actual.isZero() ? null : share(decimal(likely).minus(actual), actual),
        beside,
        isWithin: actual.greaterThanOrEqualTo(low) && actual.lessThanOrEqualTo(high),
      },
    ];
  });
}

const share = (part: Decimal, of: Decimal): string => part.dividedBy(of).toDecimalPlaces(DIGITS).toString();

/**
 * How far off it was in the middle, as a share, whichever way; null: nothing to go by.
 *
 * @example
 * usualError([{ off: '0.1' }, { off: '-0.02' }, { off: '0.04' }]); // => '0.04'
 */
export function usualError(tested: readonly Pick<BackTested, 'off'>[]): string | null {
  const all = tested
    .flatMap(({ off }) => (off === null ? [] : [decimal(off).abs()]))
    .sort((a, b) => a.comparedTo(b));
  return all[Math.floor(all.length / 2)]?.toString() ?? null;
}
