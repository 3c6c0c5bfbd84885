/** What is included, held against what is used: left, and the day on which it runs out. Needs J2, J3, P3; opening 36. */
import { decimal, ZERO } from '@/engine/base';
import type { DesignAllowance } from '@/engine/pricing';
import { conversionFactor } from '@/engine/units';
import { billUnit } from './bill-unit';
import type { LaidBill } from './laid';
import { type Projection } from './projection';
import type { Taken } from './rules';

/** Things whose quantities take an allowance. */
export interface AllowanceThings {
  /** Places, each with what brings its quantity into the allowance's unit and share. */
  readonly things: readonly { readonly at: number; readonly share: string }[];
  /** Places of those that are counted in a unit that is none of the allowance's. */
  readonly uncounted: readonly number[];
}

/**
 * Use only: what is put right takes money, not quantity.
 *
 * @example
 * const taken = takeThings([thing], [{ id: 'web', when: { sku: 'NV-*' }, to: 'a' }], new Set(['a']));
 * const expected = expectedBill(design, books, { from: '2026-11-01', to: '2026-12-01' }, 'USD');
 * const laid = layBill({ design, expected, taken, period: { from: '2026-11-01', to: '2026-12-01' }, newest: '2026-11-30', basis: 'effective', completeness: [] });
 * allowanceThings({ components: ['a'], meter: 'running', unit: 'hour' }, laid, taken).things.length; // => 1
 */
export function allowanceThings(
  { components, meter, unit }: Pick<DesignAllowance, 'components' | 'meter' | 'unit'>,
  laid: LaidBill,
  taken: readonly Taken[],
): AllowanceThings {
  const owned = new Map<string, ReadonlySet<number>>();
  for (const section of laid.sections)
    for (const component of section.components) {
      if (section.part !== 'design' || !components.includes(component.id)) continue;
      const own = component.meters.filter((each) => each.meter === meter);
      owned.set(component.id, new Set(own.flatMap(({ things }) => things)));
    }
  const things: { at: number; share: string }[] = [];
  const uncounted: number[] = [];
  for (const { thing, component, share } of taken) {
    const { at, category, isCorrection, quantity } = thing;
    if (category !== 'Usage' || isCorrection || quantity === null) continue;
    if (component === null || !owned.get(component)?.has(at)) continue;
    const read = billUnit(thing.unit);
    const factor = read && conversionFactor(read.unit, unit);
    if (!read || !factor?.ok) uncounted.push(at);
    else things.push({ at, share: share.times(read.factor).times(factor.value).toString() });
  }
  return { things, uncounted };
}

export interface AllowanceUse extends DesignAllowance {
  /** Of the period. */
  readonly ofPeriod: string;
  readonly used: string;
  /** Never below nought. */
  readonly left: string;
  /** Of what is included, so much is used: 1 is all. */
  readonly share: string;
  /** The day on which it is used up, of those that are known or at this pace; null: not within the period. */
  readonly runsOut: string | null;
  /** That day is behind. */
  readonly isOut: boolean;
  /** In the allowance's unit; null: no day is known yet. */
  readonly close: Projection | null;
}

/**
 * `close`: of its quantities, day by day. `months`: of what a month has, so much is the period's.
 *
 * @example
 * const allowance = { meter: 'out', label: 'Sent', unit: 'GB', included: '100', pool: 'component', components: ['a'], months: null };
 * const days = ['01', '02', '03'].map((day) => ({ day: `2026-11-${day}`, cost: '20' }));
 * const period = { from: '2026-11-01', to: '2026-12-01' };
 * const use = allowanceUse(allowance, '1', projectClose({ ...period, days, fees: [], completeness: [] }));
 * [use.used, use.left, use.runsOut, use.isOut]; // => ['60', '40', '2026-11-05', false]
 */
export function allowanceUse(
  allowance: DesignAllowance,
  months: string,
  close: Projection | null,
): AllowanceUse {
  const ofPeriod = decimal(allowance.included).times(months);
  const used = decimal(close?.billed ?? '0');
  const left = ofPeriod.minus(used);
  const out = close?.days.find(({ soFar }) => decimal(soFar).greaterThanOrEqualTo(ofPeriod)) ?? null;
  return {
    ...allowance,
    ofPeriod: ofPeriod.toString(),
    used: used.toString(),
    left: (left.isNegative() ? ZERO : left).toString(),
    share: ofPeriod.isZero() ? '0' : used.dividedBy(ofPeriod).toDecimalPlaces(SHARE_DIGITS).toString(),
    runsOut: out?.day ?? null,
    isOut: out !== null && !out.isAhead,
    close,
  };
}

const SHARE_DIGITS = 9;
