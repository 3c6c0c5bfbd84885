/**
 * From what was entered to the quantity a rate bills: hours run, volume held for the month, or use in the month,
 * for all units, in the rate's own unit. Source: pricing rules, "From usage to amount".
 */
import { decimal, type Decimal, err, issue, ok, ONE, type Result, ZERO } from '../base';
import { kindOf, type MeterDefinition } from '../books';
import type { Component } from '../design';
import { type Figure, given, product } from '../trace';
import { conversionFactor, unitOf } from '../units';
import { type Case, readCase, runningHours } from '../usage';

export interface MeterContext {
  readonly hoursInMonth: Decimal;
  readonly case: Case;
}

/** Refused: `count.not-whole`, `quantity.negative`, `quantity.too-large`. */
export function countOf(component: Component, which: Case): Result<Figure> {
  const count = decimal(readCase(component.count, which));
  if (count.isNegative()) return err(issue('quantity.negative', ['count'], { amount: count.toString() }));
  if (!count.isInteger()) return err(issue('count.not-whole', ['count'], { count: count.toString() }));
  if (count.greaterThan(1_000_000))
    return err(issue('quantity.too-large', ['count'], { amount: count.toString() }));
  return ok(given('Count', count, kindOf(component.kind).unitName));
}

/** The quantity of one meter for all units, in `unit`. A value that was not entered gives null if it may be none. */
export function meterQuantity(
  component: Component,
  meter: MeterDefinition,
  count: Figure,
  unit: string,
  context: MeterContext,
): Result<Figure | null> {
  const each = quantityOfOne(component, meter, context);
  if (!each.ok || each.value === null) return each;
  const all = product('For all units', each.value.unit, [count, each.value]);
  return convertFigure(all, unit);
}

function quantityOfOne(
  component: Component,
  meter: MeterDefinition,
  context: MeterContext,
): Result<Figure | null> {
  if (meter.from === 'running') return runningHours(component.running, context.hoursInMonth, context.case);
  const entry = component.usage[meter.meter];
  if (!entry) {
    return meter.required
      ? err(issue('usage.missing', ['usage', meter.meter], { meter: meter.label }))
      : ok(null);
  }
  const amount = decimal(readCase(entry.amount, context.case));
  if (amount.isNegative()) {
    return err(issue('quantity.negative', ['usage', meter.meter], { amount: amount.toString() }));
  }
  const unit = unitOf(entry.unit);
  if (!unit.ok) return unit;
  const entered = given(`${meter.label}, each`, amount, entry.unit);
  if (meter.from !== 'held') return ok(entered);
  if (unit.value.dimension !== 'data') {
    return err(issue('unit.mismatch', ['usage', meter.meter], { from: entry.unit, to: meter.enteredIn }));
  }
  const month = given('Held the whole month', ONE, 'month');
  return ok(product('Unit-months of one', `${entry.unit}-month`, [entered, month]));
}

/** The same figure in another unit, with the factor as a step of its own. Refused with `unit.mismatch`. */
export function convertFigure(figure: Figure, unit: string): Result<Figure> {
  if (figure.unit === unit) return ok(figure);
  const factor = conversionFactor(figure.unit, unit);
  if (!factor.ok) return factor;
  const step = given(`1 ${figure.unit} in ${unit}`, factor.value, `${unit} each`);
  return ok(product(`Converted to ${unit}`, unit, [figure, step]));
}

/** Nothing entered counts as none; the notice about it is made by the caller. */
export function noneOf(meter: MeterDefinition, unit: string): Figure {
  return given(`${meter.label}: not entered`, ZERO, unit, 'counted as none');
}
