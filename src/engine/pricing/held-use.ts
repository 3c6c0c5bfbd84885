/**
 * What a held meter bills: an amount kept all month, for all units, as unit-months or unit-hours. A rate bills what is
 * used or what is set aside, and says which. Needs F8, F19, G9, G11 to G14.
 */
import { addAll, type Decimal, decimal, err, issue, type Issue, ok, ONE, type Result } from '../base';
import type { SizeRow, UsageEntry } from '../design';
import { rangeBehindAverage, type SizedUse } from '../rates';
import { type Figure, given, product, quotient, sum } from '../trace';
import { unitOf } from '../units';
import { enteredIn, atLeastIfAny, heldOnAverage, readCase, timesGrown } from '../usage';
import {
  convertFigure,
  countedUnits,
  type MeterContext,
  type MeterUse,
  minimumNotices,
} from './meter-context';

export function heldUse(context: MeterContext): Result<MeterUse | null> {
  const { component, meter } = context;
  const entry = component.usage[meter.meter];
  if (!entry) {
    return meter.required
      ? err(issue('usage.missing', ['usage', meter.meter], { meter: meter.label }))
      : ok(null);
  }
  const fits = fittingUnit(entry, context);
  if (!fits.ok) return fits;
  return entry.sizes && entry.sizes.length > 0
    ? listedSizes(context, entry, entry.sizes)
    : oneSize(context, entry);
}

/** The entered unit must be one that can be held as the rate bills it. Refused with `unit.mismatch`. */
function fittingUnit(entry: UsageEntry, { meter }: MeterContext): Result<true> {
  const unit = unitOf(entry.unit);
  if (!unit.ok) return unit;
  const wanted = unitOf(meter.enteredIn);
  if (wanted.ok && unit.value.dimension === wanted.value.dimension) return ok(true);
  return err(issue('unit.mismatch', ['usage', meter.meter], { from: entry.unit, to: meter.enteredIn }));
}

function oneSize(context: MeterContext, entry: UsageEntry): Result<MeterUse> {
  const { rate, meter, case: which } = context;
  const notices: Issue[] = [];
  const setAside = setAsideOf(context, entry, notices);
  const value = decimal(readCase(setAside ?? entry.amount, which));
  const refused = negative(context, value);
  if (refused) return refused;
  const group = setAside ? 'setAside' : 'usage';
  const input = { component: context.component.id, entry: `${group}/${meter.meter}` };
  const basis = rate.basis === 'set-aside' ? 'billed by what is set aside' : undefined;
  const as = { label: `${meter.label}, each`, unit: entry.unit, input, note: basis };
  const leaf = enteredIn(setAside ?? entry.amount, which, as);
  const each = instance(context, entry, leaf, notices);
  if (!each.ok) return each;
  const units = countedUnits(context);
  notices.push(...minimumNotices(context, context.count, units));
  const { charge } = rate;
  if (charge.structure === 'stepped') {
    const range = rangeBehindAverage(charge, units.value.toNumber(), each.value.value);
    if (range && !range.least.equals(range.most)) {
      const values = { meter: meter.label, least: range.least.toString(), most: range.most.toString() };
      notices.push(issue('average.stepped', ['usage', meter.meter], values));
    }
  }
  const quantity = product('For all units', rate.unit, [units, each.value]);
  return ok({ quantity, sizes: [{ size: each.value, count: units }], notices });
}

/** One instance: growth, the time it is kept, the rate's unit, the least size. An instance of nothing stays nothing. */
function instance(context: MeterContext, entry: UsageEntry, size: Figure, notices: Issue[]): Result<Figure> {
  const kept = keptOnAverage(context, entry, timesGrown(size, entry.grown), notices);
  const inUnit = inRateUnit(context, kept, entry.unit);
  if (!inUnit.ok) return inUnit;
  const raised = atLeastIfAny('Each, at least', inUnit.value, context.rate.minimums?.each ?? null);
  notices.push(...minimumNotices(context, inUnit.value, raised));
  return ok(raised);
}

/** Every row goes through the rules for one instance; what is set aside is shared out by size. */
function listedSizes(context: MeterContext, entry: UsageEntry, rows: readonly SizeRow[]): Result<MeterUse> {
  const { rate, case: which } = context;
  const notices: Issue[] = [];
  const setAside = setAsideOf(context, entry, notices);
  const inUse = addAll(rows.map((row) => decimal(row.count).times(row.amount)));
  const factor =
    setAside && !inUse.isZero()
      ? quotient('Set aside for each in use', '', [
          given('Set aside', decimal(readCase(setAside, which)), entry.unit),
          given('Size of all', inUse, entry.unit),
        ])
      : null;
  const units = unitsOfList(context, rows);
  notices.push(...minimumNotices(context, context.count, units));
  const sizes: SizedUse[] = [];
  for (const row of rows) {
    const own = given('Size', decimal(row.amount), entry.unit);
    const refused = negative(context, own.value);
    if (refused) return refused;
    const size = instance(
      context,
      entry,
      factor ? product('Set aside', entry.unit, [own, factor]) : own,
      notices,
    );
    if (!size.ok) return size;
    const listed = given('Of this size', decimal(row.count), 'each');
    const count = units.value.equals(1) ? listed : product('Of this size', 'each', [units, listed]);
    sizes.push({ size: size.value, count });
  }
  const products = sizes.map(({ size, count }) =>
    product(`${count.value} of ${size.value}`, rate.unit, [count, size]),
  );
  return ok({ quantity: sum('All of them', rate.unit, products), sizes, notices: distinct(notices) });
}

/** The least number of units counts the instances; where the list has fewer, all of it is paid so many times more. */
function unitsOfList({ count, rate }: MeterContext, rows: readonly SizeRow[]): Figure {
  const least = rate.minimums?.count;
  const listed = addAll(rows.map((row) => decimal(row.count)));
  if (!least || listed.isZero() || count.value.isZero()) return count;
  if (!listed.times(count.value).lessThan(least)) return count;
  return quotient('Units, at least', count.unit, [
    given('Least number of instances', least, ''),
    given('Instances listed', listed, ''),
  ]);
}

function distinct(notices: readonly Issue[]): Issue[] {
  return [...new Map(notices.map((each) => [each.code, each])).values()];
}

function setAsideOf({ rate, meter }: MeterContext, entry: UsageEntry, notices: Issue[]) {
  if (rate.basis !== 'set-aside') return null;
  if (!entry.setAside && meter.meter !== 'capacity') {
    notices.push(issue('basis.set-aside-missing', ['usage', meter.meter], { meter: meter.label }));
  }
  return entry.setAside ?? null;
}

function negative({ meter }: MeterContext, value: Decimal): Result<never> | null {
  if (!value.isNegative()) return null;
  return err(issue('quantity.negative', ['usage', meter.meter], { amount: value.toString() }));
}

/** What is held on average where only what comes in each month and how long it is kept are known. */
function keptOnAverage(context: MeterContext, entry: UsageEntry, each: Figure, notices: Issue[]): Figure {
  const { component, rate, meter, case: which, hoursInMonth } = context;
  if (!entry.keptDays) return each;
  const days = decimal(readCase(entry.keptDays, which));
  const least = rate.minimums?.keptDays ?? null;
  if (least && days.lessThan(least)) {
    const values = { meter: meter.label, days: days.toString(), least: least.toString() };
    notices.push(issue('retention.applied', ['usage', meter.meter], values));
  }
  const input = { component: component.id, entry: `kept/${meter.meter}` };
  const kept = enteredIn(entry.keptDays, which, { label: 'Kept for', unit: 'day', input });
  return heldOnAverage(each, kept, least, hoursInMonth);
}

/** Unit-months, or unit-hours where the rate is per hour. */
function inRateUnit(context: MeterContext, amount: Figure, unit: string): Result<Figure> {
  const { rate, hoursInMonth } = context;
  const dimension = unitOf(rate.unit);
  if (!dimension.ok) return dimension;
  const byHour = dimension.value.dimension.endsWith('-time');
  const time = byHour
    ? given('Hours of the month', hoursInMonth, 'hour')
    : given('Held the whole month', ONE, 'month');
  const held = product('Held', `${unit}-${byHour ? 'hour' : 'month'}`, [amount, time]);
  return convertFigure(held, rate.unit);
}
