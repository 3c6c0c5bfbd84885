/** What was measured, back into the design: edits that put a bill's quantities in place of guesses. Need P6. */
import { type Decimal, decimal } from '@/engine/base';
import {
  type Component,
  type DesignEdit,
  findComponent,
  measuredEntryEdits,
  type Design,
  withMeasured,
} from '@/engine/design';
import { readCase } from '@/engine/usage';
import type { LaidBill, LaidMeter } from './laid';

export interface MeasuredEntry {
  readonly component: string;
  readonly name: string;
  readonly meter: string;
  readonly label: string;
  /** In `unit`, for one unit of the component and a month. */
  readonly before: string;
  readonly after: string;
  readonly unit: string;
  readonly isGuess: boolean;
  /** What it moves the month by, at the expected price. */
  readonly moves: string;
  readonly edits: readonly DesignEdit[];
}

/** A measured month is no law: the next one may be so much off. */
const OFF_BY = decimal('0.1');
const LEAST_DAYS = 3;
const DIGITS = 6;

/**
 * Per meter that is entered as an amount of a month: the measured amount, of the days that are known brought up to the whole
 * period. What moves most first. Too few days say nothing.
 *
 * @example
 * measuredEntries({ sections: [], days: { known: 30, worth: '30', all: 30 } }, design); // => []
 */
export function measuredEntries(laid: Pick<LaidBill, 'sections' | 'days'>, design: Design): MeasuredEntry[] {
  if (laid.days.known < LEAST_DAYS) return [];
  return laid.sections
    .filter(({ part }) => part === 'design')
    .flatMap(({ components }) => components)
    .flatMap(({ id, meters }) => {
      const component = findComponent(design, id);
      return component ? meters.flatMap((meter) => measuredOf(component, meter) ?? []) : [];
    })
    .sort((a, b) => decimal(b.moves).abs().comparedTo(decimal(a.moves).abs()));
}

function measuredOf(component: Component, { meter, label, soFar, billed }: LaidMeter): MeasuredEntry | null {
  const entry = component.usage[meter];
  if (!entry || entry.sizes || !soFar?.quantity || !billed?.quantity || soFar.unit !== billed.unit)
    return null;
  const [expected, found] = [decimal(soFar.quantity), decimal(billed.quantity)];
  if (expected.isZero() || expected.equals(found) || found.isNegative()) return null;
  const before = decimal(readCase(entry.amount, 'likely'));
  const after: Decimal = before.times(found).dividedBy(expected).toSignificantDigits(DIGITS);
  const key = `usage/${meter}`;
  return {
    component: component.id,
    name: component.name,
    meter,
    label,
    before: before.toString(),
    after: after.toString(),
    unit: entry.unit,
    isGuess: component.guesses?.includes(key) ?? false,
    moves: found.minus(expected).times(soFar.cost).dividedBy(expected).toDecimalPlaces(18).toString(),
    edits: measuredEntryEdits(component, key, withMeasured(after, OFF_BY, false)),
  };
}
