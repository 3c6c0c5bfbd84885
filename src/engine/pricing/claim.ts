/** A claim: what one line asks of one rate, how much it uses and how much it buys. */
import { type Decimal, ONE } from '../base';
import type { BookHead, Rate } from '../books';
import { STRUCTURES } from '../rates';
import { type Figure, given, product, type RateSource } from '../trace';
import { conversionFactor } from '../units';
import { type Week, WEEK_HOURS, weekUnitHours } from '../usage';
import type { CommittedPart } from './committed-part';
import type { Demand } from './meter-context';
import type { Resolved } from './resolved';

/** One demand on one rate, with the commitment that stands before it. */
export interface Claim {
  readonly demand: Demand;
  readonly book: BookHead;
  readonly committed: CommittedPart | null;
  readonly owner: Resolved;
}

/** Whether the amount of a demand depends on what others use. */
export function isPooled(rate: Rate): boolean {
  return rate.pool !== 'component' && STRUCTURES[rate.charge.structure].poolable;
}

export function rateSource(rate: Rate, book: BookHead): RateSource {
  return {
    book: book.title,
    revision: book.revision,
    effective: book.effective,
    sku: rate.sku,
    region: rate.region,
  };
}

/** A figure in another unit of the same dimension. */
export function inUnit(figure: Figure, unit: string): Figure {
  const factor = figure.unit === unit ? null : conversionFactor(figure.unit, unit);
  if (!factor?.ok) return figure;
  return product(`In ${unit}`, unit, [
    figure,
    given(`1 ${figure.unit} in ${unit}`, factor.value, `${unit} each`),
  ]);
}

/** What a member uses, in its rate's unit; under a commitment without the units that only a minimum adds. */
export function usedBy({ demand, committed, owner }: Claim): Figure {
  const running = demand.use.running;
  if (!committed?.running || !running) return demand.use.quantity;
  if (!demand.rate.minimums?.count && !running.leastHours) return demand.use.quantity;
  return product('Used', demand.rate.unit, [
    given('Unit-hours used', monthUnitHours(committed.running.used, owner.hoursInMonth), 'hour'),
    running.perHour(),
  ]);
}

/** What a member buys: committed units every hour and what runs above them. */
export function boughtBy(claim: Claim): Figure {
  const { demand, committed, owner } = claim;
  const running = demand.use.running;
  if (!committed?.running || !running) return demand.use.quantity;
  const above = monthUnitHours(committed.running.above(ONE), owner.hoursInMonth);
  const hours = committed.units.value.times(owner.hoursInMonth).plus(above);
  return product('Bought', demand.rate.unit, [
    given('Unit-hours bought, committed or not', hours, 'hour'),
    running.perHour(),
  ]);
}

export function monthUnitHours(weeks: readonly Week[], hoursInMonth: Decimal): Decimal {
  return weekUnitHours(weeks).times(hoursInMonth).dividedBy(WEEK_HOURS);
}
