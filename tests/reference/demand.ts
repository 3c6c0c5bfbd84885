/** From a component to its offer and to what it asks of the offer's rates. */
import type { Component } from '@/engine/design';
import type { OfferRow, PriceBookFile, RateRow } from '@/features/price-books/format/price-book-schema';
import { above, committedUnits, inHour } from './above';
import { contractedPart } from './contract';
import { type Fraction, ONE, ZERO, f, most, sum } from './fraction';
import { type Meter, metersOf } from './kinds';
import { partsOf } from './parts';
import { type Quantity, quantityOf } from './quantity';
import { type Committed, type Demand, type Owner, type Scene, monthsOf, rateOf } from './shapes';
import { Refused, clockHours, read } from './week';

export function ownerOf(scene: Scene, component: Component): Owner {
  const { place, choice } = component;
  if (!place) throw new Refused('place.missing');
  const pin = scene.design.books.find((each) => each.book === place.book);
  const book = scene.books.find(
    (each) => each.book.key === pin?.book && each.revision.number === pin.revision,
  );
  if (!book || !book.regions.some(({ code }) => code === place.region)) throw new Refused('place');
  const count = read(component.count, scene.which);
  const { size } = component;
  const parts = size && {
    vcpu: read(size.vcpu, scene.which),
    memory: read(size.memory, scene.which),
    gpu: size.gpu ? read(size.gpu, scene.which) : null,
  };
  const base = {
    component,
    book,
    region: place.region,
    count,
    month: monthOf(scene, book),
    parts: parts ?? null,
  };
  if (choice.by === 'none') throw new Refused('choice.missing');
  const offer = choice.by === 'sku' ? named(scene, base, choice.sku) : cheapest(scene, base);
  const owner = { ...base, offer };
  checkSize(owner);
  return owner;
}

export function named(scene: Scene, base: Omit<Owner, 'offer'>, sku: string): OfferRow {
  const offer = base.book.offers.find((each) => each.sku === sku);
  if (!offer || offer.kind !== base.component.kind || offer.lifecycle === 'announced')
    throw new Refused('offer');
  if (!sold(base, offer)) throw new Refused('offer.not-in-region');
  return offer;
}

/** Rule 11: what the whole line would really pay, by itself. */
export function cheapest(scene: Scene, base: Omit<Owner, 'offer'>): OfferRow {
  const { choice } = base.component;
  if (choice.by !== 'cheapest') throw new Refused('choice');
  const { need } = choice;
  let best: { offer: OfferRow; cost: Fraction } | null = null;
  for (const offer of base.book.offers) {
    if (offer.kind !== base.component.kind || !sold(base, offer)) continue;
    const fits =
      f(offer.vcpu ?? '0').compare(f(need.vcpu)) >= 0 &&
      f(offer.memory ?? '0').compare(f(need.memory)) >= 0 &&
      (!need.family || offer.family === need.family) &&
      (!offer.burstable || need.allowBurstable) &&
      (offer.lifecycle === 'current' || (offer.lifecycle === 'retiring' && need.allowRetiring)) &&
      (need.capabilities ?? []).every((each) => offer.capabilities?.includes(each)) &&
      Object.entries(need.attributes ?? {}).every(([name, value]) => offer.attributes?.[name] === value);
    if (!fits) continue;
    try {
      const owner = { ...base, offer };
      checkSize(owner);
      const demands = new Map([[base.component.id, demandsOf(scene, owner)]]);
      const own = partsOf(scene, [owner], demands, false).get(base.component.id)!;
      if (own instanceof Refused) continue;
      const cost = sum(own.map((part) => contractedPart(scene, part, owner.component, owner).monthly));
      if (!best || isCheaper(cost, offer, best.cost, best.offer)) best = { offer, cost };
    } catch (error) {
      if (!(error instanceof Refused)) throw error;
    }
  }
  if (!best) throw new Refused('need.nothing-fits');
  return best.offer;
}

export function monthOf(scene: Scene, book: PriceBookFile): Fraction {
  const { month } = scene.design.assumptions;
  if (month.hours === 'book') return f(book.book.monthHours);
  if (month.hours !== 'calendar') return f(month.hours);
  // Whole days between the first of this month and the first of the next.
  const days = (Date.UTC(month.year, month.month, 1) - Date.UTC(month.year, month.month - 1, 1)) / 86_400_000;
  return f(days * 24);
}

export function demandsOf(scene: Scene, owner: Owner): Demand[] {
  const { component, offer } = owner;
  const { term } = component;
  const licences = component.licences ?? [];
  for (const { product, how } of licences) {
    if (how === 'brought' && !offer.capabilities?.includes('bring-licence')) throw new Refused('licence');
    if (how === 'included' && !rateOf(owner, `licence.${product}`, 'on-demand')) throw new Refused('licence');
  }
  const found: Demand[] = [];
  let committedMeters = 0;
  let interruptible = false;
  for (const meter of metersOf(component.kind, licences)) {
    const listed =
      term === 'interruptible'
        ? (rateOf(owner, meter.meter, 'interruptible') ?? rateOf(owner, meter.meter, 'on-demand'))
        : rateOf(owner, meter.meter, 'on-demand');
    const rate = listed && inCase(scene, listed);
    const promised = monthsOf(term) === null ? undefined : rateOf(owner, meter.meter, term);
    if (!rate && !promised) {
      if (!meter.required && !component.usage[meter.meter]) continue;
      throw new Refused('rate.missing');
    }
    if (rate?.term === 'interruptible') interruptible = true;
    const asked = { component, offer, meter, count: owner.count, month: owner.month, which: scene.which };
    const quantity = rate ? (quantityOf({ ...asked, rate }) ?? { amount: ZERO }) : null;
    const committed = promised ? committedFor(scene, owner, meter, promised, rate ?? null, quantity) : null;
    if (committed) committedMeters += 1;
    found.push({
      owner,
      meter,
      // Without an on-demand rate nothing runs above; the committed rate stands in for what is never charged.
      rate: rate ?? promised!,
      quantity: quantity ?? { amount: ZERO },
      promised: committed,
      // Nothing committed: all of it is on demand.
      committed: committed?.byTheHour && committed.units.plus(committed.missing).isZero ? null : committed,
    });
  }
  if (monthsOf(term) !== null && committedMeters === 0) throw new Refused('term.not-offered');
  if (found.length === 0 || (term === 'interruptible' && !interruptible))
    throw new Refused('term.not-offered');
  return found;
}

/** An interruptible price moves with the case. */
export function inCase(scene: Scene, rate: RateRow): RateRow {
  if (!rate.range || scene.which === 'likely') return rate;
  const price = scene.which === 'lean' ? rate.range.low : rate.range.high;
  return { ...rate, charge: { structure: 'per-unit', price } };
}

/** Rule 5: units bought, committed or not, are counted together; what is missing is committed, once. */
export function committedFor(
  scene: Scene,
  owner: Owner,
  meter: Meter,
  rate: RateRow,
  onDemand: RateRow | null,
  demanded: Quantity | null,
): Committed {
  const { component, offer, count, month } = owner;
  const asked = { component, offer, meter, rate, count, month, which: scene.which };
  const own = quantityOf(asked);
  if (!own) throw new Refused('usage.missing');
  if (!own.running) {
    const total = rate.minimums?.total;
    const amount = total == null || own.amount.isZero ? own.amount : most(own.amount, f(total));
    const quantity = { ...own, amount };
    return { rate, units: amount, missing: ZERO, least: ZERO, amount, quantity, byTheHour: false };
  }
  const used = demanded?.running?.used ?? own.running.used;
  const units = committedUnits(component, count, scene.which);
  const floor = most(f(rate.minimums?.count ?? '0'), f(onDemand?.minimums?.count ?? '0'));
  const hours = used.flatMap(({ steps }) => clockHours(steps));
  const missing = hours.reduce((largest, hour) => {
    const running = inHour(hour);
    if (running.isZero && units.isZero) return largest;
    return most(largest, floor.minus(most(units, running)));
  }, ZERO);
  const paid = units.plus(missing);
  const amount = paid.times(month).times(own.running.perHour);
  const promised = {
    rate,
    units,
    missing,
    least: floor,
    amount,
    quantity: { ...own, amount },
    byTheHour: true,
  };
  if (
    !onDemand &&
    used.some(({ steps }) => above(promised, steps, ONE).some((step) => step.units.above0()))
  ) {
    throw new Refused('rate.missing');
  }
  return promised;
}

export function sold({ book, region }: Pick<Owner, 'book' | 'region'>, offer: OfferRow): boolean {
  return book.rates.some((rate) => rate.sku === offer.sku && rate.region === region);
}

export function isCheaper(cost: Fraction, offer: OfferRow, than: Fraction, other: OfferRow): boolean {
  const order =
    cost.compare(than) ||
    f(offer.vcpu ?? '0').compare(f(other.vcpu ?? '0')) ||
    f(offer.memory ?? '0').compare(f(other.memory ?? '0'));
  return order < 0 || (order === 0 && offer.sku < other.sku);
}

export function checkSize({ offer: { limits }, parts }: Owner): void {
  if (!limits || !parts) return;
  const { vcpu, memory } = parts;
  const each = (text: string): Fraction => vcpu.times(f(text));
  if (
    vcpu.compare(f(limits.vcpuLeast)) < 0 ||
    vcpu.compare(f(limits.vcpuMost)) > 0 ||
    memory.compare(each(limits.memoryPerVcpuLeast)) < 0 ||
    memory.compare(each(limits.memoryPerVcpuMost)) > 0
  )
    throw new Refused('size.out-of-range');
}
