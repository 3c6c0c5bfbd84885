/**
 * What servers cost a month, as a bare number: the fast path used to rank candidates whose price is nothing but
 * hours × price. A test holds it against the traced pricing of the same component; whatever is not so simple is
 * priced by the engine itself.
 */
import { type Decimal, ONE } from '../base';
import { LICENCE_METER, type Offer, type PriceBook, type Rate } from '../books';
import type { Component } from '../design';
import { firstUnitPrice } from '../rates';
import { commitmentOf, type Term } from '../terms';
import { conversionFactor } from '../units';
import { type Case, runningHours } from '../usage';

export interface FastCost {
  /** False: the rate has more than a price; the cost is not worked out here. */
  readonly simple: boolean;
  /** In the book's currency; null: not sold in the region under that term. */
  readonly cost: Decimal | null;
}

/** The hours of a component whose candidates can be compared by hours × price; null: not of that sort. */
export function hoursForFastPath(component: Component, hoursInMonth: Decimal, which: Case): Decimal | null {
  const { kind, running, term, size, licences, committed, borne } = component;
  const plain = running.pattern === 'always' || running.pattern === 'hours' || running.pattern === 'days';
  if (kind !== 'server' || !plain || term === 'interruptible') return null;
  if (size || licences?.length || committed || borne) return null;
  const hours = runningHours(running, hoursInMonth, which);
  return hours.ok ? hours.value.value : null;
}

export function unitMonthlyCost(
  book: PriceBook,
  offer: Offer,
  region: string,
  term: Term,
  hoursRun: Decimal,
  hoursInMonth: Decimal,
  /** Whether the hours come in runs of their own, which started increments would round up. */
  inRuns = false,
  count: Decimal = ONE,
): FastCost {
  const rates = book.ratesOf(offer.sku, region);
  const rate = rates.find((each) => each.meter === 'running' && each.term === term);
  if (!rate) return { simple: true, cost: null };
  // The least number of units counts what is committed and what is on demand together.
  const onDemand = rates.find((each) => each.meter === 'running' && each.term === 'on-demand');
  const simple = isSimple(rate, inRuns) && !onDemand?.minimums && !rates.some(addsToMonth);
  if (!simple) return { simple: false, cost: null };
  const price = firstUnitPrice(rate.charge)!;
  const factor = conversionFactor('hour', rate.unit);
  if (!factor.ok) return { simple: false, cost: null };
  const hourly = price.times(factor.value);
  const commitment = commitmentOf(term);
  if (commitment) {
    const recurring = hourly.times(hoursInMonth);
    const cost = rate.upfront ? recurring.plus(rate.upfront.dividedBy(commitment.months)) : recurring;
    return { simple: true, cost: cost.times(count) };
  }
  return { simple: true, cost: hourly.times(hoursRun).times(count) };
}

/** Anything else that a server without licences pays by the month: fees. */
function addsToMonth({ meter, term, charge }: Rate): boolean {
  const once = charge.structure === 'flat' && charge.once;
  return meter !== 'running' && !LICENCE_METER.test(meter) && term === 'on-demand' && !once;
}

function isSimple(rate: Rate, inRuns: boolean): boolean {
  return (
    rate.charge.structure === 'per-unit' &&
    rate.allowance === null &&
    !rate.sustained &&
    !rate.monthlyCap &&
    !(rate.increment && inRuns) &&
    !rate.minimums
  );
}
