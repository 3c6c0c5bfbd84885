/**
 * What an average hides in a stepped fee: the least and the most that `count` instances with the same total can cost.
 * Every split of the instances over the bands is tried (sizes may be zero or anything above), so the range is exact;
 * above `MOST_TRIED` instances nothing is said rather than something rough. Needs G14.
 */
import { type Decimal, decimal, Decimal as Decimals, ZERO } from '../base';
import { type SteppedCharge, steppedFee } from './stepped';

const MOST_TRIED = 60;

export interface FeeRange {
  readonly least: Decimal;
  readonly most: Decimal;
}

/**
 * Null: one instance only, too many instances, or a total that no split allows.
 *
 * @example
 * const stepped = readCharge({ structure: 'stepped', bands: [{ upTo: '100', fee: '5' }, { upTo: '200', fee: '8' }], beyond: null });
 * rangeBehindAverage(stepped, decimal('2'), decimal('90'))?.most.toString(); // => '13'
 */
export function rangeBehindAverage(charge: SteppedCharge, count: number, average: Decimal): FeeRange | null {
  if (count < 2 || count > MOST_TRIED || steppedFee(charge, average) === null) return null;
  const total = average.times(count);
  const bands = charge.bands.map((each, index) => ({
    from: index > 0 ? charge.bands[index - 1]!.upTo : ZERO,
    upTo: each.upTo,
    fee: each.fee,
  }));
  let least: Decimal | null = null;
  let most: Decimal | null = null;
  const take = (low: Decimal, high: Decimal): void => {
    least = least === null ? low : Decimals.min(least, low);
    most = most === null ? high : Decimals.max(most, high);
  };
  const place = (at: number, left: number, bounds: Bounds): void => {
    if (at < bands.length) {
      const { from, upTo, fee } = bands[at]!;
      for (let n = 0; n <= left; n += 1) {
        place(at + 1, left - n, {
          low: bounds.low.plus(from.times(n)),
          high: bounds.high.plus(upTo.times(n)),
          open: bounds.open || (n > 0 && !from.isZero()),
          fee: bounds.fee.plus(fee.times(n)),
        });
      }
      return;
    }
    if (left === 0) {
      if (reaches(bounds, total)) take(bounds.fee, bounds.fee);
      return;
    }
    const beyond = beyondRange(charge, left, bounds, total);
    if (beyond) take(bounds.fee.plus(beyond.least), bounds.fee.plus(beyond.most));
  };
  place(0, count, { low: ZERO, high: ZERO, open: false, fee: ZERO });
  return least !== null && most !== null ? { least, most } : null;
}

interface Bounds {
  readonly low: Decimal;
  readonly high: Decimal;
  /** Whether the low end itself cannot be reached: some band begins above its bound. */
  readonly open: boolean;
  readonly fee: Decimal;
}

function reaches(bounds: Bounds, total: Decimal): boolean {
  const above = bounds.open ? total.greaterThan(bounds.low) : total.greaterThanOrEqualTo(bounds.low);
  return above && total.lessThanOrEqualTo(bounds.high);
}

/** `left` instances beyond the last band share what the others leave of the total. */
function beyondRange(charge: SteppedCharge, left: number, others: Bounds, total: Decimal): FeeRange | null {
  if (!charge.beyond) return null;
  const last = charge.bands[charge.bands.length - 1]!;
  const { block, fee } = charge.beyond;
  const begin = last.upTo.times(left);
  const most = total.minus(others.low).minus(begin);
  if (!most.greaterThan(ZERO)) return null;
  const fewest = Decimals.max(total.minus(others.high).minus(begin), ZERO);
  const base = last.fee.times(left);
  const blocksLeast = Decimals.max(fewest.dividedBy(block).ceil(), decimal(left));
  // The largest sum of started blocks: all instances but one just above a block's end.
  const blocksMost = Decimals.max(
    most
      .dividedBy(block)
      .ceil()
      .plus(left - 1),
    decimal(left),
  );
  return { least: base.plus(fee.times(blocksLeast)), most: base.plus(fee.times(blocksMost)) };
}
