/**
 * One meter under a usage commitment: committed units are paid every hour, used or not; what runs above them is on
 * demand, hour by hour of the running pattern. Source: pricing rules, "Usage commitment"; needs E2 to E4, F14.
 */
import {
  addAll,
  type Decimal,
  decimal,
  Decimal as Decimals,
  err,
  issue,
  type Issue,
  ok,
  ONE,
  type Result,
  ZERO,
} from '../base';
import type { Rate } from '../books';
import type { Component } from '../design';
import { type Figure, given, product, sum } from '../trace';
import { type Case, hoursAtLevel, levelsOf, mapHours, readCase, sameAllWeek, WEEK_HOURS } from '../usage';
import type { Demand, MeterContext, MeterUse } from './meter-context';
import { meterUse } from './meter-use';

export interface CommittedPart {
  readonly meter: string;
  readonly label: string;
  readonly rate: Rate;
  /** Committed units, and what they are paid for in the month, in the rate's unit. */
  readonly units: Figure;
  readonly use: MeterUse;
  /** What runs above the commitment, at the on-demand rate; null: nothing does. */
  readonly above: Demand | null;
  readonly notices: readonly Issue[];
}

/** `onDemandRate` is null where the offer is only sold committed. Refused with `rate.missing` if something runs above. */
export function committedPart(
  context: MeterContext,
  onDemandRate: Rate | null,
  label: string,
): Result<CommittedPart> {
  const { component, count, time, meter, hoursInMonth, case: which } = context;
  const base = { meter: meter.meter, label, rate: context.rate };
  if (meter.from !== 'running') return wholeMeter(context, base);
  const units = committedUnits(component, count, which);
  const month = given(
    'Hours of the month',
    hoursInMonth,
    'hour',
    'committed hours are paid whether used or not',
  );
  const full = { ...context, count: units, time: alwaysOn(month) };
  const use = meterUse(full);
  if (!use.ok) return use;
  if (!use.value) return err(issue('usage.missing', ['usage', meter.meter], { meter: label }));
  const running = mapHours(time.profile.units, (each) => each.times(count.value));
  const above = mapHours(running, (each) => Decimals.max(ZERO, each.minus(units.value)));
  const notices = [...unusedNotices(running, units.value, context)];
  if (!time.profile.placed && units.value.lessThan(count.value))
    notices.push(issue('profile.spread-evenly', ['running']));
  if (above.every((each) => each.isZero())) {
    return ok({ ...base, units, use: use.value, above: null, notices });
  }
  if (!onDemandRate) return err(issue('rate.missing', [], { offer: context.offer.name, meter: label }));
  const extra = aboveUse({ ...context, rate: onDemandRate }, above);
  if (!extra.ok) return extra;
  const { meter: code } = base;
  const demand = { meter: code, label, rate: onDemandRate, use: extra.value };
  return ok({ ...base, units, use: use.value, above: demand, notices });
}

/** A meter that is held, counted or used monthly is committed as a whole: licences by core, prepaid money. */
function wholeMeter(
  context: MeterContext,
  base: Pick<CommittedPart, 'meter' | 'label' | 'rate'>,
): Result<CommittedPart> {
  const use = meterUse(context);
  if (!use.ok) return use;
  if (!use.value) {
    return err(issue('usage.missing', ['usage', context.meter.meter], { meter: base.label }));
  }
  return ok({ ...base, units: use.value.quantity, use: use.value, above: null, notices: use.value.notices });
}

/** The stated units, or those that always run: the baseline of peaks, the floor of autoscale, else all. */
function committedUnits(component: Component, count: Figure, which: Case): Figure {
  if (component.committed) {
    return given('Committed units', decimal(readCase(component.committed, which)), count.unit);
  }
  const { running } = component;
  const always =
    running.pattern === 'peaks' ? running.baseline : running.pattern === 'autoscale' ? running.floor : null;
  if (!always) return count;
  return product('Committed: the units that always run', count.unit, [
    count,
    given('Always running, each', decimal(readCase(always, which)), ''),
  ]);
}

function alwaysOn(month: Figure): MeterContext['time'] {
  return {
    hours: month,
    spells: null,
    profile: { units: sameAllWeek(ONE), placed: true, short: false },
  };
}

/** The use of the units above the commitment: their unit-hours by level, in one unit of count. */
function aboveUse(context: MeterContext, above: readonly Decimal[]): Result<MeterUse> {
  const rows = levelsOf(above)
    .filter((level) => !level.units.isZero())
    .map((level) =>
      product(`${level.units} above the commitment`, 'hour', [
        given('Units above', level.units, 'unit'),
        hoursAtLevel(level, context.hoursInMonth),
      ]),
    );
  const hours = sum('Hours above the commitment', 'hour', rows);
  const one = given('Counted together', decimal(1), '');
  const profile = { units: above, placed: true, short: false };
  const use = meterUse({ ...context, count: one, time: { hours, spells: null, profile } });
  if (!use.ok) return use;
  return ok(use.value!);
}

function unusedNotices(running: readonly Decimal[], units: Decimal, context: MeterContext): Issue[] {
  if (units.isZero()) return [];
  const used = addAll(
    levelsOf(running).map((level) => Decimals.min(level.units, units).times(level.weekHours)),
  );
  const paid = units.times(WEEK_HOURS);
  if (!used.lessThan(paid)) return [];
  const share = used.dividedBy(paid);
  const hours = share.times(context.hoursInMonth).toDecimalPlaces(2);
  const values = { hours: hours.toString(), month: context.hoursInMonth.toString() };
  return [issue('commitment.unused-hours', ['running'], values)];
}
