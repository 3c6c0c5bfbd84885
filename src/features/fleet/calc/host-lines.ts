/**
 * Hosts of one's own: which of the sold ones costs least with all machines packed on it, how many of them, which machine is
 * where. Never fewer than the book sells. Source: pricing rules, "Fleet"; needs M12, K7.
 */
import type { Offer } from '@/engine/books';
import type { Component, LicenceChoice, Place } from '@/engine/design';
import type { HostsUsed, LaidMachine } from './laid';
import { packHosts, type Packing, type Parcel } from './packing';
import type { FleetPlacement, HostingForm } from './placement';
import { fleetLine, type Placer } from './placer';

interface Asked {
  readonly placement: FleetPlacement;
  readonly form: Extract<HostingForm, { by: 'hosts' }>;
  readonly place: Place;
  readonly id: string;
}

interface Packed {
  readonly lines: readonly Component[];
  readonly used: HostsUsed | null;
  readonly laid: readonly LaidMachine[];
}

/** How many candidates are packed: the others cost more even where nothing is left empty. */
const PACKED = 3;

export function hostLines(placer: Placer, laid: readonly LaidMachine[], asked: Asked): Packed {
  const going = laid.filter(({ unfit }) => unfit === null);
  if (going.length === 0) return { lines: [], used: null, laid };
  const best = cheapestHosts(placer, going, asked);
  if (!best) return withoutHosts(placer, laid, asked);
  const { offer, packing, line, used } = best;
  const tooLarge = new Set(packing.tooLarge);
  return {
    lines: [line],
    used,
    laid: laid.map((each) => {
      if (each.unfit) return each;
      if (tooLarge.has(each.machine.id)) return { ...each, unfit: 'host-too-small' };
      const share = Number(each.need.vcpu) / used.room.vcpu + Number(each.need.memory) / used.room.memory;
      return { ...each, offer, portions: [...each.portions, { line: line.id, weight: share }] };
    }),
  };
}

/** Nothing is sold that carries all of them: those without a licence may go even so. */
function withoutHosts(placer: Placer, laid: readonly LaidMachine[], asked: Asked): Packed {
  const licensed = laid.some(({ unfit, licences }) => unfit === null && licences.length > 0);
  const why = ({ unfit, licences }: LaidMachine): LaidMachine['unfit'] =>
    unfit ?? (!licensed ? 'no-hosts' : licences.length > 0 ? 'licence' : null);
  const left = laid.map((each) => ({ ...each, unfit: why(each) }));
  return licensed ? hostLines(placer, left, asked) : { lines: [], used: null, laid: left };
}

interface Candidate {
  readonly offer: Offer;
  readonly packing: Packing;
  readonly line: Component;
  readonly used: HostsUsed;
}

function cheapestHosts(placer: Placer, going: readonly LaidMachine[], asked: Asked): Candidate | null {
  const { placement, place } = asked;
  const book = placer.bookOf(place.book);
  const parcels = going.map(({ machine, need }): Parcel => ({
    id: machine.id,
    vcpu: Number(need.vcpu),
    memory: Number(need.memory),
    storage: 0,
  }));
  const licences = licencesOn(going);
  const { family, processor, allowRetiring } = placement.allowed;
  const offers = (book?.soldIn(place.region, 'dedicated-host') ?? []).filter(
    (offer) =>
      offer.vcpu !== null &&
      offer.memory !== null &&
      (offer.lifecycle === 'current' || (allowRetiring && offer.lifecycle === 'retiring')) &&
      (!family || offer.family === family) &&
      (!processor || offer.processor === processor),
  );
  const bounds = offers.flatMap((offer) => {
    const room = roomOf(offer, asked);
    const bound = Math.max(
      1,
      Math.ceil(parcels.reduce((sum, { vcpu }) => sum + vcpu, 0) / room.vcpu),
      Math.ceil(parcels.reduce((sum, { memory }) => sum + memory, 0) / room.memory),
    );
    const large = parcels.filter(({ vcpu, memory }) => vcpu > room.vcpu || memory > room.memory).length;
    const monthly = placer.priceOf(lineOf(offer, bound + asked.form.spare, licences, asked));
    return monthly ? [{ offer, large, monthly }] : [];
  });
  bounds.sort(
    (a, b) => a.large - b.large || a.monthly.comparedTo(b.monthly) || (a.offer.sku < b.offer.sku ? -1 : 1),
  );
  let best: (Candidate & { readonly monthly: (typeof bounds)[number]['monthly'] }) | null = null;
  for (const { offer, large, monthly: bound } of bounds.slice(0, PACKED)) {
    // Even with nothing left empty it would cost as much.
    if (best && best.packing.tooLarge.length <= large && best.monthly.lessThanOrEqualTo(bound)) continue;
    const candidate = packedOn(placer, offer, parcels, licences, asked);
    const monthly = placer.priceOf(candidate.line);
    if (!monthly) continue;
    const more = best ? candidate.packing.tooLarge.length - best.packing.tooLarge.length : -1;
    if (!best || more < 0 || (more === 0 && monthly.lessThan(best.monthly))) best = { ...candidate, monthly };
  }
  return best;
}

function packedOn(
  placer: Placer,
  offer: Offer,
  parcels: readonly Parcel[],
  licences: readonly LicenceChoice[],
  asked: Asked,
): Candidate {
  const { form, place, placement } = asked;
  const room = roomOf(offer, asked);
  const packing = packHosts(parcels, { ...room, storage: Infinity });
  const rate = placer.bookOf(place.book)!.rate(offer.sku, place.region, 'running', placement.term);
  const least = rate?.minimums?.count?.toNumber() ?? 0;
  const wanted = packing.hosts.length + form.spare;
  const used: HostsUsed = {
    offer,
    hosts: packing.hosts,
    room,
    spare: form.spare,
    least,
    paid: Math.max(wanted, least),
    lowerBound: packing.lowerBound,
  };
  return { offer, packing, used, line: lineOf(offer, wanted, licences, asked) };
}

function roomOf({ vcpu, memory }: Offer, { form }: Asked): { vcpu: number; memory: number } {
  return { vcpu: vcpu!.toNumber() * form.cpuTimes, memory: memory!.toNumber() * form.memoryTimes };
}

function lineOf(offer: Offer, count: number, licences: readonly LicenceChoice[], asked: Asked): Component {
  const { place, id, placement } = asked;
  return fleetLine('dedicated-host', place, id, {
    name: offer.name,
    count,
    sku: offer.sku,
    term: placement.term,
    ...(licences.length > 0 ? { licences } : {}),
  });
}

/** A machine may be on any of the hosts: where one needs a licence, all of them are licensed. */
function licencesOn(laid: readonly LaidMachine[]): LicenceChoice[] {
  const byProduct = new Map(
    laid.flatMap(({ licences }) => licences.map((each) => [each.product, each] as const)),
  );
  return [...byProduct.values()].sort((a, b) => (a.product < b.product ? -1 : 1));
}
