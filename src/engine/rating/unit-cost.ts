/**
 * What a server costs a month, as a bare number: the fast way to rank candidates whose price is nothing but hours ×
 * price. Whatever has more to it is said to have, and is priced by the engine itself.
 */
import { type Decimal, ONE } from '../base';
import { LICENCE_METER, type Rate } from '../books';
import { firstUnitPrice } from '../rates';
import { commitmentOf, type Term } from '../terms';
import { conversionFactor } from '../units';
import type { RateCard } from './rate-card';

export interface FastCost {
  /** False: the rate has more than a price; the cost is not worked out here. */
  readonly simple: boolean;
  /** In the book's currency; null: not sold in the region under that term. */
  readonly cost: Decimal | null;
}

export interface RunningHours {
  readonly term: Term;
  /** Hours that each unit runs. */
  readonly run: Decimal;
  readonly inMonth: Decimal;
  /** Whether the hours come in runs of their own, which started increments would round up. */
  readonly inRuns?: boolean;
  readonly count?: Decimal;
}

/**
 * @example
 * const cost = unitMonthlyCost(rateCard(book, book.offer('A-4')!, 'severn'), { term: 'on-demand', run: decimal('730'), inMonth: decimal('730') });
 * cost.simple && cost.cost.toString(); // => '73'
 */
export function unitMonthlyCost(card: RateCard, hours: RunningHours): FastCost {
  const { term, run, inMonth, inRuns = false, count = ONE } = hours;
  const rate = card.rate('running', term);
  if (!rate) return { simple: true, cost: null };
  // The least number of units counts what is committed and what is on demand together.
  const onDemand = card.rate('running', 'on-demand');
  const simple = isSimple(rate, inRuns) && !onDemand?.minimums && !card.rates.some(addsToMonth);
  if (!simple) return { simple: false, cost: null };
  const price = firstUnitPrice(rate.charge)!;
  const factor = conversionFactor('hour', rate.unit);
  if (!factor.ok) return { simple: false, cost: null };
  const hourly = price.times(factor.value);
  const commitment = commitmentOf(term);
  if (commitment) {
    const recurring = hourly.times(inMonth);
    const cost = rate.upfront ? recurring.plus(rate.upfront.dividedBy(commitment.months)) : recurring;
    return { simple: true, cost: cost.times(count) };
  }
  return { simple: true, cost: hourly.times(run).times(count) };
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
