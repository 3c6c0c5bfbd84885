/** What every source of quantity reads and gives, and the helpers they share. */
import { decimal, type Decimal, err, issue, type Issue, ok, type Result } from '../base';
import { kindOf, type MeterDefinition, type Offer, type Rate } from '../books';
import type { Component } from '../design';
import type { ChargeUse } from '../rates';
import type { Rank } from '../terms';
import { type Figure, given, product } from '../trace';
import { conversionFactor } from '../units';
import { enteredIn, atLeastIfAny, type Case, readCase, type RunningTime, type Week } from '../usage';

export interface MeterContext {
  readonly component: Component;
  readonly offer: Offer;
  readonly meter: MeterDefinition;
  readonly rate: Rate;
  readonly count: Figure;
  readonly time: RunningTime;
  readonly hoursInMonth: Decimal;
  readonly case: Case;
}

/** What depends on single units and on when they run: sustained use, caps, commitments. Worked out when someone asks. */
export interface RunningShape {
  /** Units with the hours they are billed for. */
  ranks(): readonly Rank[];
  /** All units as they are billed, over the week; `used` without the least number of units. */
  weeks(): readonly Week[];
  used(): readonly Week[];
  /** How many of the rate's units one unit-hour is: its vCPU for a rate per vCPU-hour. */
  perHour(): Figure;
  /** The same for another rate of the meter. */
  perHourOf(rate: Rate): Result<Figure>;
  /** The least that each unit is billed for, in hours; null: none. */
  readonly leastHours: Figure | null;
}

export interface MeterUse extends ChargeUse {
  readonly notices: readonly Issue[];
  /** Running meters: how many units run how long and when. */
  readonly running?: RunningShape;
  /** Capacity units: what is paid beside them, whatever their number. */
  readonly beside?: Figure;
}

/** What one component asks of one rate. Amounts are kept by it: it is the same object from resolving to charging. */
export interface Demand {
  readonly meter: string;
  /** The meter's name for people. */
  readonly label: string;
  readonly rate: Rate;
  /** For all units, in the rate's unit. */
  readonly use: MeterUse;
}

/** Refused: `count.not-whole`, `quantity.negative`, `quantity.too-large`. */
export function countOf(component: Component, which: Case): Result<Figure> {
  const count = decimal(readCase(component.count, which));
  if (count.isNegative()) return err(issue('quantity.negative', ['count'], { amount: count.toString() }));
  if (!count.isInteger()) return err(issue('count.not-whole', ['count'], { count: count.toString() }));
  if (count.greaterThan(1_000_000))
    return err(issue('quantity.too-large', ['count'], { amount: count.toString() }));
  const as = { label: 'Count', unit: kindOf(component.kind).unitName };
  return ok(enteredIn(component.count, which, { ...as, input: { component: component.id, entry: 'count' } }));
}

/** The count, raised to the least number of units the rate is sold for. */
export function countedUnits(context: Pick<MeterContext, 'count' | 'rate'>): Figure {
  return atLeastIfAny('Units, at least', context.count, context.rate.minimums?.count ?? null);
}

/** Says that a minimum bites, with what is paid for and what is used. */
export function minimumNotices(context: MeterContext, used: Figure, paid: Figure): Issue[] {
  if (!paid.value.greaterThan(used.value)) return [];
  const values = {
    meter: context.meter.label,
    paid: paid.value.toString(),
    used: used.value.toString(),
    unit: paid.unit,
  };
  return [issue('minimum.applied', ['usage', context.meter.meter], values)];
}

/** The same figure in another unit, with the factor as a step of its own. Refused with `unit.mismatch`. */
export function convertFigure(figure: Figure, unit: string): Result<Figure> {
  if (figure.unit === unit) return ok(figure);
  const factor = conversionFactor(figure.unit, unit);
  if (!factor.ok) return factor;
  const step = given(`1 ${figure.unit} in ${unit}`, factor.value, `${unit} each`);
  return ok(product(`Converted to ${unit}`, unit, [figure, step]));
}
