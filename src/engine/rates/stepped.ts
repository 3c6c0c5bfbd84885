/**
 * Stepped fee: a fee by the band that one instance falls in, then a fee for each started block beyond the last band.
 * Per instance, never on the average: with "up to 50 GB 5, up to 500 GB 10, then 10 more per started 500 GB", three
 * machines of 40 GB and one of 2 100 GB cost 3 × 5 + (10 + 4 × 10) = 65; four of the average 555 GB would cost 80.
 * A band's end belongs to that band. Needs G11, G14, K4.
 */
import { type Decimal, roundedUp, withoutHair, ZERO } from '../base';
import {
  band,
  ceiling,
  difference,
  type Figure,
  given,
  product,
  quotient,
  rate,
  sum,
  within,
  withLive,
} from '../trace';
import type { Charge, ChargeContext, SizedUse } from './structure';

export type SteppedCharge = Extract<Charge, { structure: 'stepped' }>;

/** The fee of one instance of a size above nothing, as a bare number; null: no such size is sold. */
export function steppedFee(charge: SteppedCharge, size: Decimal): Decimal | null {
  const found = charge.bands.find((each) => size.lessThanOrEqualTo(each.upTo));
  if (found) return found.fee;
  if (!charge.beyond) return null;
  const last = charge.bands[charge.bands.length - 1]!;
  const blocks = roundedUp(size.minus(last.upTo).dividedBy(charge.beyond.block));
  return last.fee.plus(charge.beyond.fee.times(blocks));
}

/** Null: a size is larger than any that is sold. */
export function chargeStepped(
  charge: SteppedCharge,
  sizes: readonly SizedUse[],
  context: ChargeContext,
): Figure | null {
  const rows: Figure[] = [];
  for (const each of sizes) {
    // An instance of nothing pays nothing.
    if (each.size.value.isZero()) continue;
    const inBand = feeOf(charge, each.size, context);
    if (!inBand) return null;
    const fee = withLive(inBand, () => anyFee(charge, each.size, context));
    const label = `${each.count.value} of ${each.size.value} ${context.unit}`;
    rows.push(product(label, context.currency, [each.count, fee]));
  }
  return sum('Fee of each instance', context.currency, rows);
}

/** The fee is looked for in all bands and beyond them: holds for any size that is sold. */
function anyFee(charge: SteppedCharge, size: Figure, context: ChargeContext): Figure {
  const { currency, unit, source } = context;
  const perOne = `${currency} each`;
  const ends = [ZERO, ...charge.bands.map((each) => each.upTo)].map((end) =>
    given('Bands meet at', end, unit),
  );
  const fees = charge.bands.map((each, at) => {
    const bounds = { from: ends[at]!, upTo: ends[at + 1]! };
    const fee = rate(`Fee of band ${at + 1}`, each.fee, perOne, source);
    return within(`If in band ${at + 1}`, perOne, size, bounds, fee);
  });
  const { beyond } = charge;
  if (!beyond) return sum('Fee of its band', perOne, fees);
  const end = ends[ends.length - 1]!;
  const over = difference('Beyond the last band', unit, [size, end]);
  const block = given('One block', beyond.block, `${unit} a block`);
  const blocks = ceiling('Started blocks', 'block', quotient('In blocks', 'block', [over, block]));
  const fee = sum('Fee beyond the bands', perOne, [
    rate('Fee of the last band', charge.bands[charge.bands.length - 1]!.fee, perOne, source),
    product('Blocks beyond', perOne, [
      blocks,
      rate('Fee per started block', beyond.fee, `${currency} per block`, source),
    ]),
  ]);
  return sum('Fee of its band', perOne, [
    ...fees,
    within('If beyond the bands', perOne, size, { from: end, upTo: null }, fee),
  ]);
}

function feeOf(charge: SteppedCharge, size: Figure, context: ChargeContext): Figure | null {
  const { currency, unit, source } = context;
  const perOne = `${currency} each`;
  const counted = withoutHair(size.value);
  const index = charge.bands.findIndex((each) => counted.lessThanOrEqualTo(each.upTo));
  const bounds = (at: number): Figure => given('Above', at > 0 ? charge.bands[at - 1]!.upTo : ZERO, unit);
  if (index >= 0) {
    const found = charge.bands[index]!;
    const fee = rate(`Fee of band ${index + 1}`, found.fee, perOne, source);
    const upTo = given('Up to', found.upTo, unit);
    return band('Fee of its band', perOne, size, { from: bounds(index), upTo }, fee);
  }
  if (!charge.beyond) return null;
  const last = charge.bands[charge.bands.length - 1]!;
  const end = given('The last band ends at', last.upTo, unit);
  const over = difference('Beyond the last band', unit, [size, end]);
  const block = given('One block', charge.beyond.block, `${unit} a block`);
  const blocks = ceiling('Started blocks', 'block', quotient('In blocks', 'block', [over, block]));
  const each = rate('Fee per started block', charge.beyond.fee, `${currency} per block`, source);
  return sum('Fee beyond the bands', perOne, [
    rate('Fee of the last band', last.fee, perOne, source),
    product('Blocks beyond', perOne, [blocks, each]),
  ]);
}
