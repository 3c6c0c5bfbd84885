/**
 * Picturable lots: nobody sees what 0.0000231 for a second means, everybody what a month costs. Each dimension has one
 * lot, so that prices in different units stand beside each other. Needs J9, K3.
 */
import { decimal, type Decimal } from '../base';
import { firstChargedPrice } from '../rates';
import { commitmentOf } from '../terms';
import { conversionFactor, unitOf } from '../units';
import { type Kind, mainMeter } from './kind';
import type { Rate } from './book';

export interface Lot {
  /** "1 TB for a month", "730 hours". */
  readonly label: string;
  /** How many of the rate's unit it is. */
  readonly amount: Decimal;
}

/** A month of hours, as most lists count it. */
const MONTH = '730';

const LOTS: Readonly<Record<string, readonly [label: string, amount: string, unit: string]>> = {
  time: ['730 hours', MONTH, 'hour'],
  'vCPU-time': ['1 vCPU for 730 hours', MONTH, 'vCPU-hour'],
  'data-time': ['1 GiB for 730 hours', MONTH, 'GiB-hour'],
  'GPU-time': ['1 GPU for 730 hours', MONTH, 'GPU-hour'],
  'core-time': ['1 core for 730 hours', MONTH, 'core-hour'],
  'unit-time': ['1 unit for 730 hours', MONTH, 'unit-hour'],
  'item-time': ['1 item for 730 hours', MONTH, 'item-hour'],
  'money-time': ['730 hours', MONTH, 'money-hour'],
  'data-month': ['1 TB for a month', '1', 'TB-month'],
  data: ['1 TB', '1', 'TB'],
  count: ['1 million requests', '1', 'million requests'],
  item: ['1 000 items', '1', 'thousand items'],
  'IOPS-month': ['1 000 IOPS for a month', '1000', 'IOPS-month'],
};

/**
 * The lot that prices in a unit are pictured by; a unit without one is its own.
 *
 * @example
 * lotOf('second').label; // => '730 hours'
 */
export function lotOf(unit: string): Lot {
  const known = unitOf(unit);
  const row = known.ok ? LOTS[known.value.dimension] : undefined;
  if (!row) return { label: `1 ${unit}`, amount: decimal(1) };
  const [label, amount, of] = row;
  const factor = conversionFactor(of, unit);
  return { label, amount: factor.ok ? factor.value.times(amount) : decimal(1) };
}

/**
 * What one lot costs at the first unit's price, with an upfront payment spread over its term and under a monthly cap;
 * null: the structure has no such price.
 *
 * @example
 * lotPrice({ charge: { structure: 'per-unit', price: decimal('0.1') }, unit: 'hour', term: 'on-demand', upfront: null })?.toString(); // => '73'
 */
export function lotPrice(
  rate: Pick<Rate, 'charge' | 'unit' | 'term' | 'upfront' | 'monthlyCap'>,
): Decimal | null {
  const { charge, unit, upfront, monthlyCap } = rate;
  // A size set freely is pictured as one vCPU with four GiB.
  const price =
    charge.structure === 'by-parts' ? charge.vcpu.plus(charge.memory.times(4)) : firstChargedPrice(charge);
  if (!price) return null;
  if (charge.structure === 'flat' || charge.structure === 'stepped') return price;
  const lot = price.times(lotOf(unit).amount);
  const months = commitmentOf(rate.term)?.months;
  if (upfront && months) return lot.plus(upfront.dividedBy(months));
  return monthlyCap && monthlyCap.lessThan(lot) ? monthlyCap : lot;
}

/**
 * Whether lists sort an offer by this rate: its main meter on demand, or the only way it is sold.
 *
 * @example
 * isLeadingRate({ meter: 'running', term: 'on-demand' }, 'server'); // => true
 */
export function isLeadingRate(rate: Pick<Rate, 'meter' | 'term'>, kind: Kind): boolean {
  return rate.meter === mainMeter(kind)?.meter && rate.term === 'on-demand';
}
