/**
 * The sizes around what a line is: every offer of its kind from half to twice as large, with what a vCPU and a GiB of it
 * cost, whether the price grows in step with the size, and several small ones in place of one. Needs B9, B15, B19.
 */
import { decimal, type Decimal, issue, ZERO } from '@/engine/base';
import type { Offer, PriceBook } from '@/engine/books';
import type { Change, Component } from '@/engine/design';
import type { PricedComponent, PricedDesign } from '@/engine/pricing';
import { type Lack, lacksOf, type Need, threadsOf } from '@/engine/sizing';
import { lacksText } from '@/engine/summary';
import { CASES } from '@/engine/usage';
import type { Asking } from './asking';
import type { AxisFacts, AxisRow } from './model';
import { take } from './take';

/** How far from the chosen size the ladder reaches. */
const REACH = 2;
/** So many smaller ones are offered in place of one. */
const SPLITS = [2, 4] as const;

/** Empty where the line has no size or no amount. */
export function sizeRows(asking: Asking, line: Component, book: PriceBook): AxisRow[] {
  const chosen = chosenOf(asking.plan.pricer.price(asking.plan, { case: 'likely' }), line.id);
  const own = chosen?.offer;
  if (!chosen || !own?.vcpu || !own.memory || !line.place) return [];
  const { count, monthly } = chosen;
  const now = { offer: own, each: count.isZero() ? ZERO : monthly.value.dividedBy(count) };
  const offers = book
    .soldIn(line.place.region, line.kind)
    .filter((offer) => isNear(offer, own) || isSplit(offer, own));
  const rows = offers.flatMap((offer): AxisRow[] => {
    const facts = (units: number) => (priced: PricedDesign) =>
      factsOf(offer, chosenOf(priced, line.id), now, units);
    const isNow = offer.sku === own.sku;
    const whole =
      isNear(offer, own) &&
      lacking(
        asking.row(offer.sku, offer.name, isNow ? [] : [take(line, offer)], facts(1)),
        line,
        isNow ? [] : lacksOf(needOf(line, own), offer),
      );
    const split = SPLITS.filter((units) => isPart(offer, own, units)).flatMap((units) => {
      const more = countTimes(line, units);
      if (!more) return [];
      const changes = isNow ? [more] : [take(line, offer), more];
      const row = asking.row(`${offer.sku} × ${units}`, `${units} × ${offer.name}`, changes, facts(units));
      // Together they are as large; everything else is asked of each.
      const each = { ...needOf(line, own), vcpu: '0', memory: '0' };
      return [lacking(row, line, isNow ? [] : lacksOf(each, offer))];
    });
    return whole ? [whole, ...split] : split;
  });
  return bySize(rows);
}

/** A ladder: from the smallest to the largest, several in place of one beside it; of equals the cheaper first. */
function bySize(rows: readonly AxisRow[]): AxisRow[] {
  const order = (a: string | null | undefined, b: string | null | undefined): number =>
    decimal(a ?? '0').comparedTo(decimal(b ?? '0'));
  return [...rows].sort(
    (a, b) =>
      order(a.facts.sizeTimes, b.facts.sizeTimes) ||
      order(a.facts.memory, b.facts.memory) ||
      order(a.monthly, b.monthly),
  );
}

/** What the line asks of an offer: its need, or to be as large as what was chosen. */
function needOf({ choice }: Component, own: Offer): Need {
  if (choice.by === 'cheapest') return choice.need;
  const size = {
    vcpu: threadsOf(own).toString(),
    memory: own.memory!.toString(),
    countedIn: 'thread' as const,
  };
  return { ...size, allowBurstable: true, allowRetiring: true };
}

function lacking(row: AxisRow, { id, name }: Component, lacks: readonly Lack[]): AxisRow {
  if (lacks.length === 0) return row;
  const missing = { id, name, issue: issue('size.less', ['choice'], { what: lacksText(lacks) }) };
  return { ...row, missing: [...row.missing, missing] };
}

/** The line as it was priced; undefined: it has no amount. */
function chosenOf(priced: PricedDesign, id: string): PricedComponent | undefined {
  for (const { lines } of priced.sections)
    for (const line of lines) if (line.id === id && line.status === 'priced') return line;
  return undefined;
}

/** Null: a count that cannot be taken so many times. */
function countTimes({ id, count }: Component, units: number): Change | null {
  const value = { ...count };
  for (const which of CASES) {
    const own = count[which];
    if (own !== undefined) Object.assign(value, { [which]: decimal(own).times(units).toString() });
  }
  return { change: 'edit', edit: { edit: 'set-component', id, field: 'count', value } };
}

/** Smaller ones that together are as large. */
function isSplit(offer: Offer, own: Offer): boolean {
  const sold = offer.vcpu !== null && offer.memory !== null && offer.lifecycle !== 'announced';
  return sold && SPLITS.some((units) => isPart(offer, own, units));
}

function isNear(offer: Offer, own: Offer): boolean {
  if (!offer.vcpu || !offer.memory || offer.lifecycle === 'announced') return false;
  const [here, there] = [threadsOf(own), threadsOf(offer)];
  return there.times(REACH).gte(here) && there.lte(here.times(REACH));
}

/** So many of them are as large as the one, neither more nor less. */
function isPart(offer: Offer, own: Offer, units: number): boolean {
  return (
    threadsOf(offer).times(units).equals(threadsOf(own)) && offer.memory!.times(units).equals(own.memory!)
  );
}

function factsOf(
  offer: Offer,
  line: PricedComponent | undefined,
  now: { readonly offer: Offer; readonly each: Decimal },
  units: number,
): AxisFacts {
  const each = line && !line.count.isZero() ? line.monthly.value.dividedBy(line.count) : null;
  const per = (size: Decimal | null): string | null =>
    each && size && !size.isZero() ? each.dividedBy(size).toDecimalPlaces(9).toString() : null;
  const times = threadsOf(offer).dividedBy(threadsOf(now.offer)).times(units);
  return {
    vcpu: offer.vcpu?.toString() ?? null,
    memory: offer.memory?.toString() ?? null,
    family: offer.family,
    processor: offer.processor,
    perVcpu: per(offer.vcpu),
    perMemory: per(offer.memory),
    sizeTimes: times.toDecimalPlaces(4).toString(),
    amountTimes:
      each && !now.each.isZero() ? each.times(units).dividedBy(now.each).toDecimalPlaces(4).toString() : null,
    units,
  };
}
