/**
 * One meter under a usage commitment: committed units are paid every hour, used or not; what runs above them is on
 * demand, clock hour by clock hour. The least number of units counts both together, and what is missing is committed
 * too, once. Source: pricing rules, "Usage commitment", "Where two rules meet", 3 and 5; needs E2 to E4, F14.
 */
import {
  addAll,
  type Decimal,
  decimal,
  Decimal as Decimals,
  err,
  issue,
  type Issue,
  leftOf,
  ok,
  ONE,
  type Result,
  ZERO,
} from '../base';
import type { Rate } from '../books';
import type { Component } from '../design';
import { type Figure, given, product, sum } from '../trace';
import {
  enteredIn,
  alike,
  atLeastIfAny,
  type Case,
  everyWeek,
  type Hour,
  mapWeeks,
  readCase,
  sameAllWeek,
  unitHoursOf,
  type Week,
  WEEK_HOURS,
} from '../usage';
import type { Demand, MeterContext, MeterUse } from './meter-context';
import { meterUse } from './meter-use';

export interface CommittedPart {
  readonly meter: string;
  readonly label: string;
  readonly rate: Rate;
  /** Committed units, those that only the minimum adds included, and what they are paid for, in the rate's unit. */
  readonly units: Figure;
  readonly use: MeterUse;
  /** Running meters: what runs, and what of it the commitment leaves. Null: the meter is committed as a whole. */
  readonly running: CommittedRunning | null;
  readonly notices: readonly Issue[];
}

export interface CommittedRunning {
  /** All use at the on-demand rate; null: it is only sold committed, and nothing runs above. */
  readonly demand: Demand | null;
  readonly used: readonly Week[];
  /** What is left for others when each hour's use is so many times as large. */
  readonly above: (times: Decimal) => readonly Week[];
}

/** `onDemand` is null where the offer is only sold committed. Refused with `rate.missing` if something runs above. */
export function committedPart(
  context: MeterContext,
  onDemand: Demand | null,
  label: string,
): Result<CommittedPart> {
  const { component, count, time, meter, hoursInMonth, case: which } = context;
  const base = { meter: meter.meter, label, rate: context.rate };
  if (meter.from !== 'running') return wholeMeter(context, base);
  const shape = onDemand?.use.running ?? null;
  const own = shape ? null : meterUse(context);
  if (own && !own.ok) return own;
  const used = shape ? shape.used() : own!.value!.running!.used();
  const committed = committedUnits(component, count, which);
  const least = greater(context.rate.minimums?.count, onDemand?.rate.minimums?.count);
  const missing = missingUnits(used, committed.value, least);
  const units = missing.isZero()
    ? committed
    : sum('Committed units, with the missing ones', committed.unit, [
        committed,
        given('Missing to the least number of units', missing, committed.unit, `at least ${least} are sold`),
      ]);
  const month = given(
    'Hours of the month',
    hoursInMonth,
    'hour',
    'committed hours are paid whether used or not',
  );
  const full = meterUse({
    ...context,
    rate: withoutLeast(context.rate),
    count: units,
    time: alwaysOn(month),
  });
  if (!full.ok) return full;
  const above = (times: Decimal): readonly Week[] =>
    leftAbove(used, times, { committed: committed.value, missing, least });
  const notices = [
    ...unusedNotices(used, units.value, context),
    ...(missing.isZero() ? [] : [leastNotice(label, committed.value.plus(missing), committed)]),
  ];
  if (!time.profile.placed && committed.value.lessThan(count.value))
    notices.push(issue('profile.spread-evenly', ['running']));
  if (!onDemand && !isNothing(above(ONE)))
    return err(issue('rate.missing', [], { offer: context.offer.name, meter: label }));
  return ok({ ...base, units, use: full.value!, running: { demand: onDemand, used, above }, notices });
}

export function isNothing(weeks: readonly Week[]): boolean {
  return weeks.every(({ hours }) =>
    [...alike(hours).keys()].every((hour) => hour.every(({ units }) => units.isZero())),
  );
}

function leastNotice(meter: string, paid: Decimal, committed: Figure): Issue {
  const values = { meter, paid: paid.toString(), used: committed.value.toString(), unit: committed.unit };
  return issue('minimum.applied', ['term'], values);
}

function greater(a: Decimal | null | undefined, b: Decimal | null | undefined): Decimal {
  return Decimals.max(a ?? ZERO, b ?? ZERO);
}

function withoutLeast(rate: Rate): Rate {
  return rate.minimums?.count ? { ...rate, minimums: { ...rate.minimums, count: null } } : rate;
}

/** What no hour of the week has of the least number of units: at the hour that has fewest. */
function missingUnits(used: readonly Week[], committed: Decimal, least: Decimal): Decimal {
  let most = ZERO;
  if (least.isZero()) return most;
  for (const { hours } of used) {
    for (const hour of alike(hours).keys()) {
      const units = unitHoursOf(hour);
      if (units.isZero() && committed.isZero()) continue;
      most = Decimals.max(most, missingAt(units, committed, least));
    }
  }
  return most;
}

function missingAt(units: Decimal, committed: Decimal, least: Decimal): Decimal {
  return Decimals.max(ZERO, least.minus(Decimals.max(committed, units)));
}

interface Covering {
  readonly committed: Decimal;
  readonly missing: Decimal;
  readonly least: Decimal;
}

/** Clock hour by clock hour; what is left keeps the hour's own course. Units that fill the minimum serve nobody. */
function leftAbove(
  used: readonly Week[],
  times: Decimal,
  { committed, missing, least }: Covering,
): readonly Week[] {
  return mapWeeks(used, (hour) => {
    const units = unitHoursOf(hour);
    if (units.isZero()) return hour;
    const filling = missing.isZero() ? ZERO : missingAt(units, committed, least);
    const serving = committed.plus(missing).minus(filling);
    return scaledTo(hour, units, leftOf(units.times(times), serving));
  });
}

/** The hour with other unit-hours and the same course. */
export function scaledTo(hour: Hour, unitHours: Decimal, wanted: Decimal): Hour {
  if (wanted.equals(unitHours)) return hour;
  if (hour.length === 1) return [{ length: ONE, units: wanted }];
  return hour.map(({ length, units }) => ({ length, units: units.times(wanted).dividedBy(unitHours) }));
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
  const quantity = atLeastIfAny(
    'Minimum of the month',
    use.value.quantity,
    context.rate.minimums?.total ?? null,
  );
  return ok({
    ...base,
    units: quantity,
    use: { ...use.value, quantity },
    running: null,
    notices: use.value.notices,
  });
}

/** The stated units, or those that always run: the baseline of peaks, the floor of autoscale, else all. */
function committedUnits(component: Component, count: Figure, which: Case): Figure {
  if (component.committed) {
    return enteredIn(component.committed, which, {
      label: 'Committed units',
      unit: count.unit,
      input: { component: component.id, entry: 'committed' },
    });
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
    profile: { weeks: everyWeek(sameAllWeek(ONE)), placed: true, short: false },
    single: true,
  };
}

function unusedNotices(used: readonly Week[], units: Decimal, context: MeterContext): Issue[] {
  if (units.isZero()) return [];
  const covered = addAll(
    used.flatMap(({ share, hours }) =>
      [...alike(hours)].map(([hour, times]) =>
        Decimals.min(unitHoursOf(hour), units).times(times).times(share),
      ),
    ),
  );
  const paid = units.times(WEEK_HOURS);
  if (!covered.lessThan(paid)) return [];
  const hours = covered.dividedBy(paid).times(context.hoursInMonth).toDecimalPlaces(2);
  const values = { hours: hours.toString(), month: context.hoursInMonth.toString() };
  return [issue('commitment.unused-hours', ['running'], values)];
}
