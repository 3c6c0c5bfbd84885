/**
 * What a held meter bills: an amount kept all month, for all units, as unit-months or unit-hours. A rate bills what is
 * used or what is set aside, and says which. Needs F8, F19, G9, G11 to G14.
 */
import { decimal, err, issue, type Issue, ok, ONE, type Result } from '../base';
import type { SizeRow, UsageEntry } from '../design';
import { rangeBehindAverage, type SizedUse } from '../rates';
import { entered, type Figure, given, product, sum } from '../trace';
import { unitOf } from '../units';
import { atLeast, heldOnAverage, readCase, timesGrown } from '../usage';
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
  const { rate, meter } = context;
  const notices: Issue[] = [];
  const amount = billedAmount(context, entry, notices);
  if (!amount.ok) return amount;
  const each = inRateUnit(context, amount.value, entry.unit);
  if (!each.ok) return each;
  const raised = atLeast('Each, at least', each.value, rate.minimums?.each ?? null);
  notices.push(...minimumNotices(context, each.value, raised));
  const units = countedUnits(context);
  notices.push(...minimumNotices(context, context.count, units));
  const { charge } = rate;
  if (charge.structure === 'stepped') {
    const range = rangeBehindAverage(charge, units.value.toNumber(), raised.value);
    if (range && !range.least.equals(range.most)) {
      const values = { meter: meter.label, least: range.least.toString(), most: range.most.toString() };
      notices.push(issue('average.stepped', ['usage', meter.meter], values));
    }
  }
  const quantity = product('For all units', rate.unit, [units, raised]);
  return ok({ quantity, sizes: [{ size: raised, count: units }], notices });
}

function listedSizes(context: MeterContext, entry: UsageEntry, rows: readonly SizeRow[]): Result<MeterUse> {
  const { rate } = context;
  const units = countedUnits(context);
  const sizes: SizedUse[] = [];
  for (const row of rows) {
    const own = timesGrown(given('Size', decimal(row.amount), entry.unit), entry.grown);
    const size = inRateUnit(context, own, entry.unit);
    if (!size.ok) return size;
    const listed = given('Of this size', decimal(row.count), 'each');
    const count = units.value.equals(1) ? listed : product('Of this size', 'each', [units, listed]);
    sizes.push({ size: atLeast('Each, at least', size.value, rate.minimums?.each ?? null), count });
  }
  const products = sizes.map(({ size, count }) =>
    product(`${count.value} of ${size.value}`, rate.unit, [count, size]),
  );
  return ok({ quantity: sum('All of them', rate.unit, products), sizes, notices: [] });
}

/** What the rate bills of the two sizes, and for how long it is kept. */
function billedAmount(context: MeterContext, entry: UsageEntry, notices: Issue[]): Result<Figure> {
  const { rate, meter, case: which, hoursInMonth } = context;
  const setAside = rate.basis === 'set-aside' && entry.setAside;
  if (rate.basis === 'set-aside' && !entry.setAside && meter.meter !== 'capacity') {
    notices.push(issue('basis.set-aside-missing', ['usage', meter.meter], { meter: meter.label }));
  }
  const value = decimal(readCase(setAside ? setAside : entry.amount, which));
  if (value.isNegative()) {
    return err(issue('quantity.negative', ['usage', meter.meter], { amount: value.toString() }));
  }
  const basis = rate.basis === 'set-aside' ? 'billed by what is set aside' : undefined;
  const input = { component: context.component.id, entry: `usage/${meter.meter}` };
  const leaf = entered(`${meter.label}, each`, value, entry.unit, input, basis);
  const each = timesGrown(setAside ? { ...leaf, input: undefined } : leaf, entry.grown);
  if (!entry.keptDays) return ok(each);
  const days = decimal(readCase(entry.keptDays, which));
  const least = rate.minimums?.keptDays ?? null;
  if (least && days.lessThan(least)) {
    const values = { meter: meter.label, days: days.toString(), least: least.toString() };
    notices.push(issue('retention.applied', ['usage', meter.meter], values));
  }
  return ok(heldOnAverage(each, days, least, hoursInMonth));
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
