/** From what was entered to what one rate bills: conversion, started increments, minimums of each. */
import type { UsageEntry } from '@/engine/design';
import type { Case, SizedAmount } from '@/engine/usage';
import { type Asked, inUnit, minimum, raised, unitsOf } from './asked';
import { f, type Fraction, least, most, ONE, sum, ZERO } from './fraction';
import { type Running, running } from './running';
import { unitOf } from './units';
import { loadHeights, patternOf, read, Refused, requestsPerSecond, WEEK } from './week';
import { started } from './week-runs';

export interface Quantity {
  /** In the rate's unit, for all units. */
  readonly amount: Fraction;
  readonly sizes?: readonly { readonly size: Fraction; readonly count: Fraction }[];
  readonly running?: Running;
  /** Hours of all devices, for the hourly fee beside capacity units. */
  readonly deviceHours?: Fraction;
}

const unknown = Symbol('nothing entered');

export function quantityOf(asked: Asked): Quantity | null {
  const found = bySource(asked);
  return found === unknown ? null : found;
}

function bySource(asked: Asked): Quantity | typeof unknown {
  switch (asked.meter.from) {
    case 'running':
      return running(asked);
    case 'held':
      return held(asked);
    case 'monthly':
      return monthly(asked);
    case 'runs':
      return runs(asked);
    case 'capacity':
      return capacity(asked);
    case 'count':
      return { amount: unitsOf(asked) };
    case 'spend':
      return { amount: ZERO };
    case 'per-hour':
      return { amount: entryOf(asked).times(asked.count).times(asked.month) };
  }
}

function entryOf({ component, meter, which }: Asked): Fraction {
  const entry = component.usage[meter.meter];
  if (!entry) throw new Refused('usage.missing');
  return read(entry.amount, which);
}

function grownBy(entry: UsageEntry): Fraction {
  return f(entry.grown?.factor ?? '1');
}

function held(asked: Asked): Quantity | typeof unknown {
  const { component, meter, rate, month, which } = asked;
  const entry = component.usage[meter.meter];
  if (!entry) {
    if (meter.required) throw new Refused('usage.missing');
    return unknown;
  }
  const forTime = unitOf(rate.unit).measures.endsWith('for a time');
  const instance = (size: Fraction): Fraction => {
    let one = size.times(grownBy(entry));
    if (entry.keptDays) {
      const days = most(read(entry.keptDays, which), minimum(rate, 'keptDays') ?? ZERO);
      one = one.times(days).over(month.over(f(24)));
    }
    const billed = forTime
      ? inUnit(one.times(month), `${entry.unit}-hour`, rate.unit)
      : inUnit(one, `${entry.unit}-month`, rate.unit);
    return raised(billed, minimum(rate, 'each'));
  };
  const setAside = rate.basis === 'set-aside' ? entry.setAside : undefined;
  if (entry.sizes?.length) {
    const inUse = sum(entry.sizes.map((row) => f(row.count).times(f(row.amount))));
    const times = setAside && !inUse.isZero ? read(setAside, which).over(inUse) : ONE;
    const listed = sum(entry.sizes.map((row) => f(row.count)));
    const floor = minimum(rate, 'count');
    const instances = listed.times(asked.count);
    const lists =
      floor && !instances.isZero && instances.compare(floor) < 0 ? floor.over(listed) : asked.count;
    const sizes = entry.sizes.map((row) => ({
      size: instance(f(row.amount).times(times)),
      count: lists.times(f(row.count)),
    }));
    return { amount: sum(sizes.map(({ size, count }) => size.times(count))), sizes };
  }
  const size = instance(read(setAside ?? entry.amount, which));
  const units = unitsOf(asked);
  return { amount: size.times(units), sizes: [{ size, count: units }] };
}

/** Requests of the month that follow from the load while the thing runs. */
function requestsOfLoad({ component, which, month }: Asked): Fraction {
  const load = component.load!;
  const heights = loadHeights(load, which);
  const { kinds } = patternOf(component, which, month);
  const perWeek = sum(
    kinds.map(({ share, steps }) => {
      const open = steps.filter(({ units }) => units.above0());
      const overlaps = open.flatMap((step) =>
        heights.map(({ from, to, units }) => {
          const hours = least(to, step.to).minus(most(from, step.from));
          return hours.above0() ? hours.times(units) : ZERO;
        }),
      );
      return share.times(sum(overlaps));
    }),
  );
  return requestsPerSecond(load, which).times(f(3600)).times(perWeek).times(month).over(WEEK);
}

function bytes(sizes: readonly (SizedAmount | null | undefined)[], which: Case): Fraction {
  const given = sizes.filter((each): each is SizedAmount => !!each);
  if (given.length === 0) throw new Refused('load.incomplete');
  return sum(given.map((each) => inUnit(read(each.amount, which), each.unit, 'GB')));
}

function monthly(asked: Asked): Quantity | typeof unknown {
  const { component, meter, rate, which } = asked;
  const entry = component.usage[meter.meter];
  const { load } = component;
  let amount: Fraction;
  let unit: string;
  if (entry) {
    amount = read(entry.amount, which).times(grownBy(entry)).times(unitsOf(asked));
    unit = entry.unit;
  } else if (load && meter.derived) {
    amount = requestsOfLoad(asked);
    unit = 'request';
    if (meter.derived !== 'requests') {
      const sizes = meter.derived === 'reply' ? [load.replySize] : [load.requestSize, load.replySize];
      amount = amount.times(bytes(sizes, which));
      unit = 'GB';
    }
  } else if (meter.required) throw new Refused('usage.missing');
  else return unknown;
  const each = entry?.each ?? load?.requestSize ?? load?.replySize;
  if (rate.increment && each) {
    amount = amount.times(started(read(each.amount, which), each.unit, rate.increment));
  }
  const floor = minimum(rate, 'each');
  return { amount: raised(inUnit(amount, unit, rate.unit), floor && floor.times(unitsOf(asked))) };
}

function runs(asked: Asked): Quantity {
  const { component, meter, rate, offer, which } = asked;
  const own = component.usage[meter.meter];
  const events = own ?? component.usage.requests;
  let total: Fraction;
  if (events) {
    const each = inUnit(read(events.amount, which).times(grownBy(events)), events.unit, 'request');
    total = each.times(unitsOf(asked));
  } else if (component.load) total = requestsOfLoad(asked);
  else throw new Refused('usage.missing');
  let seconds: Fraction;
  const seconds0 = component.load?.secondsEach;
  if (own?.each) seconds = inUnit(read(own.each.amount, which), own.each.unit, 'second');
  else if (seconds0) seconds = read(seconds0, which);
  else throw new Refused('usage.missing');
  if (rate.increment) {
    const steps = started(seconds, 'second', rate.increment).times(f(rate.increment.step));
    seconds = inUnit(steps, rate.increment.unit, 'second');
  }
  const { measures } = unitOf(rate.unit);
  const what = measures === 'data for a time' ? 'memory' : measures === 'vCPU for a time' ? 'vcpu' : null;
  let unit = 'second';
  let amount = total.times(seconds);
  if (what) {
    const { size } = component;
    const stated = offer[what];
    const own0 = size ? read(size[what], which) : stated === null ? null : f(stated);
    if (!own0) throw new Refused('size.missing');
    amount = amount.times(own0);
    unit = what === 'memory' ? 'GiB-second' : 'vCPU-second';
  }
  const floor = minimum(rate, 'each');
  return { amount: raised(inUnit(amount, unit, rate.unit), floor && floor.times(unitsOf(asked))) };
}

function capacity(asked: Asked): Quantity {
  const { component, rate, month, which } = asked;
  const devices = unitsOf(asked);
  const { kinds } = patternOf(component, which, month);
  const open = kinds.flatMap(({ share, steps }) =>
    steps.filter(({ units }) => units.above0()).map(({ from, to }) => ({ share, from, to })),
  );
  const perMonth = month.over(WEEK);
  const hours = sum(open.map(({ share, from, to }) => share.times(to.minus(from)))).times(perMonth);
  const deviceHours = devices.times(hours);
  const { charge } = rate;
  if (charge.structure !== 'greatest-of') return { amount: inUnit(deviceHours, 'unit-hour', rate.unit) };
  const { load } = component;
  if (!load) throw new Refused('load.missing');
  const usual = requestsPerSecond(load, which);
  const unitsAt = (height: Fraction): Fraction => {
    const rateNow = usual.times(height);
    const needed = charge.dimensions.map(({ dimension, carries, unit }) => {
      let use = ZERO;
      if (dimension === 'requests') use = rateNow;
      if (dimension === 'new-connections') {
        use = rateNow.over(load.requestsPerConnection ? read(load.requestsPerConnection, which) : ONE);
      }
      if (dimension === 'open-connections') {
        if (!load.secondsEach) throw new Refused('load.incomplete');
        use = rateNow.times(read(load.secondsEach, which));
      }
      if (dimension === 'data') {
        const each = bytes([load.requestSize, load.replySize], which);
        use = inUnit(rateNow.times(each).times(f(3600)), 'GB', unit);
      }
      return use.over(f(carries));
    });
    const most0 = most(...needed);
    return charge.whole ? most0.ceiling() : most0;
  };
  const used = sum(
    loadHeights(load, which).flatMap(({ from, to, units }) =>
      open.map((step) => {
        const together = least(to, step.to).minus(most(from, step.from));
        return together.above0() ? step.share.times(together).times(unitsAt(units)) : ZERO;
      }),
    ),
  ).times(perMonth);
  const floor = minimum(rate, 'each');
  return { amount: raised(used, floor && floor.times(devices)), deviceHours };
}
