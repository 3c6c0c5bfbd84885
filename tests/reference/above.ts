/** What commitments take off each clock hour, and what they leave. Rules 1, 3 and 5. */
import type { Component } from '@/engine/design';
import type { Case } from '@/engine/usage';
import { type Fraction, ONE, ZERO, most, sum } from './fraction';
import { hoursOf, monthHours, unitsByHours } from './running';
import type { Committed, Demand, Left, Rest } from './shapes';
import { type Kind, change, clockHours, read } from './week';

export function committedUnits({ committed, running }: Component, count: Fraction, which: Case): Fraction {
  if (committed) return read(committed, which);
  if (running.pattern === 'peaks') return count.times(read(running.baseline, which));
  return running.pattern === 'autoscale' ? count.times(read(running.floor, which)) : count;
}

export const inHour = (hour: readonly { from: Fraction; to: Fraction; units: Fraction }[]): Fraction =>
  sum(hour.map(({ from, to, units }) => to.minus(from).times(units)));

/** What runs above committed units: unit-hours within a clock hour are covered, the hour's course is kept. */
export function above(committed: Committed, steps: Kind['steps'], times: Fraction): Kind['steps'] {
  const { units, missing, least: floor } = committed;
  return clockHours(steps).flatMap((hour) => {
    const running = inHour(hour);
    if (running.isZero) return hour;
    const idle = missing.isZero ? ZERO : most(ZERO, floor.minus(most(units, running)));
    const open = most(ZERO, running.times(times).minus(units).minus(missing).plus(idle));
    return hour.map((step) => ({ ...step, units: step.units.times(open).over(running) }));
  });
}

export function aboveAll(committed: Committed, kinds: readonly Kind[], times: Fraction): Kind[] {
  return kinds.map(({ share, steps }) => ({ share, steps: above(committed, steps, times) }));
}

export function usedBy({ quantity, committed, owner }: Demand): Fraction {
  const { running } = quantity;
  if (!committed || !running) return quantity.amount;
  return monthHours(running.used, owner.month).times(running.perHour);
}

export function boughtBy(demand: Demand): Fraction {
  const { quantity, committed, owner } = demand;
  const { running } = quantity;
  if (!committed || !running) return quantity.amount;
  const over = monthHours(aboveAll(committed, running.used, ONE), owner.month);
  return committed.units.plus(committed.missing).times(owner.month).plus(over).times(running.perHour);
}

/** Rule 1: allowance, then the usage commitment, clock hour by clock hour. */
export function restOf(demand: Demand, { share, missing }: Left): Rest {
  const { quantity, committed, owner } = demand;
  const { running } = quantity;
  if (!running) {
    const filled = quantity.amount.plus(missing).times(share);
    return { amount: filled, kinds: null, ranks: null, added: ZERO, filling: ZERO, perHour: ONE };
  }
  const { perHour, leastHours } = running;
  if (committed) {
    const kinds = aboveAll(committed, running.used, share);
    const ranks = unitsByHours(kinds, owner.month).map(({ units, hours }) => ({
      units,
      hours: hours.isZero ? hours : most(hours, leastHours),
    }));
    const hours = hoursOf(ranks);
    const added = hours.minus(monthHours(kinds, owner.month));
    return { amount: hours.times(perHour), kinds, ranks, added, filling: ZERO, perHour };
  }
  const kinds = change(running.kinds, (units) => units.times(share));
  const ranks = running.ranks.map(({ units, hours }) => ({ units, hours: hours.times(share) }));
  const filling = missing.times(share);
  const added = leastHours.isZero ? ZERO : hoursOf(ranks).minus(monthHours(kinds, owner.month));
  return { amount: quantity.amount.times(share).plus(filling), kinds, ranks, added, filling, perHour };
}

export function afterSpend({ owner }: Demand, before: Rest, kinds: readonly Kind[]): Rest {
  const left = unitsByHours(kinds, owner.month);
  const hours = hoursOf(left);
  const units = sum(before.ranks!.map((rank) => rank.units));
  let ranks = left;
  if (!before.added.isZero) {
    ranks = hours.isZero
      ? units.isZero
        ? left
        : [{ units, hours: before.added.over(units) }]
      : left.map((rank) => ({
          units: rank.units,
          hours: rank.hours.times(hours.plus(before.added)).over(hours),
        }));
  }
  return { ...before, kinds, ranks, amount: hoursOf(ranks).times(before.perHour).plus(before.filling) };
}
