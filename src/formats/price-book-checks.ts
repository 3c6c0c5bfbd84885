/** What must hold across a price-book file: references, duplicates, tiers in order, units that fit their meters. */
import { Decimal } from '@/core/base';
import { kindOf, type MeterDefinition } from '@/core/books';
import { conversionFactor } from '@/core/units';
import type { Fault } from './faults';
import type { OfferRow, PriceBookFile, RateRow } from './price-book-schema';

export function crossCheck(file: PriceBookFile): Fault[] {
  const faults: Fault[] = [];
  const regions = new Set<string>();
  file.regions.forEach((region, index) => {
    if (regions.has(region.code))
      faults.push({ path: `regions[${index}].code`, message: `region “${region.code}” stands twice` });
    regions.add(region.code);
  });
  const offers = new Map<string, OfferRow>();
  file.offers.forEach((offer, index) => {
    if (offers.has(offer.sku))
      faults.push({ path: `offers[${index}].sku`, message: `SKU “${offer.sku}” stands twice` });
    offers.set(offer.sku, offer);
    faults.push(...offerFaults(offer, `offers[${index}]`));
  });
  const keys = new Map<string, number>();
  file.rates.forEach((rate, index) => {
    const path = `rates[${index}]`;
    const key = [rate.sku, rate.region, rate.meter, rate.term].join(' / ');
    const first = keys.get(key);
    if (first !== undefined)
      faults.push({ path, message: `the same rate stands at rates[${first}]: ${key}` });
    else keys.set(key, index);
    if (!regions.has(rate.region))
      faults.push({ path: `${path}.region`, message: `unknown region “${rate.region}”` });
    const offer = offers.get(rate.sku);
    if (!offer) faults.push({ path: `${path}.sku`, message: `unknown SKU “${rate.sku}”` });
    else faults.push(...rateFaults(rate, offer, path));
  });
  return faults;
}

function offerFaults(offer: OfferRow, path: string): Fault[] {
  const faults: Fault[] = [];
  if (offer.kind === 'server' && offer.vcpu === null)
    faults.push({ path: `${path}.vcpu`, message: 'a server needs its vCPU' });
  if (offer.kind === 'server' && offer.memory === null) {
    faults.push({ path: `${path}.memory`, message: 'a server needs its memory in GiB' });
  }
  if (offer.lifecycle === 'current' && offer.retires !== null) {
    faults.push({ path: `${path}.retires`, message: 'a current offer has no retirement date' });
  }
  return faults;
}

function rateFaults(rate: RateRow, offer: OfferRow, path: string): Fault[] {
  const kind = kindOf(offer.kind);
  const meter = kind.meters.find((each) => each.meter === rate.meter);
  if (!meter) {
    const known = kind.meters.map((each) => each.meter).join(', ');
    return [
      { path: `${path}.meter`, message: `${kind.label} has no meter “${rate.meter}”; it has ${known}` },
    ];
  }
  const billed = billedUnit(meter);
  const faults: Fault[] = [];
  if (!conversionFactor(billed, rate.unit).ok) {
    faults.push({
      path: `${path}.unit`,
      message: `“${rate.unit}” cannot bill ${meter.meter}, which is measured in ${billed}`,
    });
  }
  if (rate.term !== 'on-demand') faults.push(...commitmentFaults(rate, kind.committable, path));
  else if (rate.upfront !== null)
    faults.push({ path: `${path}.upfront`, message: 'an on-demand rate has no upfront payment' });
  if (rate.charge.structure === 'graduated')
    faults.push(...tierFaults(rate.charge.tiers, `${path}.charge.tiers`));
  return faults;
}

function billedUnit(meter: MeterDefinition): string {
  return meter.from === 'held' ? `${meter.enteredIn}-month` : meter.enteredIn;
}

function commitmentFaults(rate: RateRow, committable: boolean, path: string): Fault[] {
  const faults: Fault[] = [];
  if (!committable) faults.push({ path: `${path}.term`, message: 'only servers are sold with a commitment' });
  if (rate.unit !== 'hour') faults.push({ path: `${path}.unit`, message: 'a committed rate is per hour' });
  if (rate.charge.structure !== 'per-unit') {
    faults.push({ path: `${path}.charge.structure`, message: 'a committed rate has one price per unit' });
  }
  const paysUpfront = !rate.term.endsWith('-none');
  if (paysUpfront && rate.upfront === null)
    faults.push({ path: `${path}.upfront`, message: `term ${rate.term} needs an upfront payment` });
  if (!paysUpfront && rate.upfront !== null) {
    faults.push({ path: `${path}.upfront`, message: `term ${rate.term} has no upfront payment` });
  }
  if (rate.allowance !== null)
    faults.push({ path: `${path}.allowance`, message: 'a committed rate has no allowance' });
  return faults;
}

function tierFaults(tiers: readonly { upTo: string | null; price: string }[], path: string): Fault[] {
  const faults: Fault[] = [];
  let from = new Decimal(0);
  tiers.forEach((tier, index) => {
    const last = index === tiers.length - 1;
    if (tier.upTo === null) {
      if (!last)
        faults.push({ path: `${path}[${index}].upTo`, message: 'only the last tier may be without an end' });
      return;
    }
    const upTo = new Decimal(tier.upTo);
    if (!upTo.greaterThan(from)) {
      faults.push({
        path: `${path}[${index}].upTo`,
        message: `tiers must rise: ${tier.upTo} does not exceed ${from}`,
      });
    }
    if (last)
      faults.push({ path: `${path}[${index}].upTo`, message: 'the last tier must be without an end (null)' });
    from = upTo;
  });
  return faults;
}
