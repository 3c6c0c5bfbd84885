/** What must hold across a price-book file: references, duplicates, shares of spend that do not chase each other. */
import { Decimal } from '@/engine/base';
import { kindOf } from '@/engine/books';
import type { Fault } from '@/platform/formats/faults';
import {
  MOST_REGIONS,
  type OfferRow,
  type PriceBookFile,
  type RateRow,
  type RegionRow,
} from './price-book-schema';
import { rateFaults } from './rate-checks';
import { QuickCheck } from './stream/quick-check';

/** Checks rates one after the other, so that a file of any size can stream through. */
export class BookChecker {
  private readonly regions = new Map<string, number>();
  private readonly offers = new Map<string, OfferRow>();
  private readonly offerNumbers = new Map<string, number>();
  /** By meter and term: where each offer in each region was first, by small numbers, of which a million fit in memory. */
  private readonly ways = new Map<string, Map<number, number>>();
  private readonly quick = new QuickCheck();
  private readonly sharing: { readonly rate: RateRow; readonly offer: OfferRow; readonly path: string }[] =
    [];

  addRegion(region: RegionRow, path: string): Fault[] {
    const known = this.regions.has(region.code);
    if (!known) this.regions.set(region.code, this.regions.size);
    return known ? [{ path: `${path}.code`, message: `region “${region.code}” stands twice` }] : [];
  }

  addOffer(offer: OfferRow, path: string): Fault[] {
    const known = this.offers.has(offer.sku);
    this.offers.set(offer.sku, offer);
    if (!known) this.offerNumbers.set(offer.sku, this.offerNumbers.size);
    const faults = offerFaults(offer, path);
    return known ? [{ path: `${path}.sku`, message: `SKU “${offer.sku}” stands twice` }, ...faults] : faults;
  }

  addRate(rate: RateRow, index: number, path: string): Fault[] {
    const faults: Fault[] = [];
    const key = this.keyOf(rate);
    const seen = this.seenUnder(rate);
    const first = key === null ? undefined : seen.get(key);
    if (first !== undefined) {
      const shown = [rate.sku, rate.region, rate.meter, rate.term].join(' / ');
      faults.push({ path, message: `the same rate stands at rates[${first}]: ${shown}` });
    } else if (key !== null) seen.set(key, index);
    if (!this.regions.has(rate.region)) {
      faults.push({ path: `${path}.region`, message: `unknown region “${rate.region}”` });
    }
    const offer = this.offers.get(rate.sku);
    if (!offer) return [...faults, { path: `${path}.sku`, message: `unknown SKU “${rate.sku}”` }];
    if (rate.charge.structure === 'share-of-spend') this.sharing.push({ rate, offer, path });
    return [...faults, ...rateFaults(rate, offer, path)];
  }

  /** The fast way: true if the row is plain, sound and new. Else nothing is remembered; add it in full. */
  addPlainRate(row: unknown, index: number): boolean {
    if (!this.quick.accepts(row, (sku) => this.offers.get(sku))) return false;
    const key = this.keyOf(row);
    const seen = this.seenUnder(row);
    if (key === null || seen.has(key)) return false;
    seen.set(key, index);
    return true;
  }

  private seenUnder({ meter, term }: RateRow): Map<number, number> {
    const way = `${meter}\n${term}`;
    let seen = this.ways.get(way);
    if (!seen) this.ways.set(way, (seen = new Map()));
    return seen;
  }

  /** Null: the offer or the region is not known. */
  private keyOf({ sku, region }: RateRow): number | null {
    const offerNumber = this.offerNumbers.get(sku);
    const regionNumber = this.regions.get(region);
    if (offerNumber === undefined || regionNumber === undefined) return null;
    return offerNumber * MOST_REGIONS + regionNumber;
  }

  /** What only shows once everything is there: successors, grants, circles. */
  end(offerPath: (sku: string) => string): Fault[] {
    const faults: Fault[] = [];
    for (const offer of this.offers.values()) {
      if (offer.replacedBy !== null && !this.offers.has(offer.replacedBy)) {
        const message = `unknown successor “${offer.replacedBy}”`;
        faults.push({ path: `${offerPath(offer.sku)}.replacedBy`, message });
      }
      if (offer.replacedBy === offer.sku) {
        const message = 'an offer does not succeed itself';
        faults.push({ path: `${offerPath(offer.sku)}.replacedBy`, message });
      }
      (offer.grants ?? []).forEach((grant, index) => {
        if (this.offers.has(grant.sku)) return;
        const message = `unknown SKU “${grant.sku}”`;
        faults.push({ path: `${offerPath(offer.sku)}.grants[${index}].sku`, message });
      });
    }
    return [...faults, ...this.circles()];
  }

  /** A share of spend may be taken of another kind's, but not of each other's. */
  private circles(): Fault[] {
    const takenOf = new Map<string, Set<string>>();
    for (const { rate, offer } of this.sharing) {
      if (rate.charge.structure !== 'share-of-spend') continue;
      const kinds = takenOf.get(offer.kind) ?? new Set<string>();
      for (const kind of rate.charge.base.kinds) kinds.add(kind);
      takenOf.set(offer.kind, kinds);
    }
    const reaches = (from: string, to: string, seen = new Set<string>()): boolean => {
      for (const next of takenOf.get(from) ?? []) {
        if (next === to) return true;
        if (seen.has(next)) continue;
        seen.add(next);
        if (reaches(next, to, seen)) return true;
      }
      return false;
    };
    return this.sharing.flatMap(({ offer, path }) =>
      reaches(offer.kind, offer.kind)
        ? [
            {
              path: `${path}.charge.base.kinds`,
              message: `is a share of itself: ${kindOf(offer.kind).label} is counted in what it is taken of`,
            },
          ]
        : [],
    );
  }
}

function offerFaults(offer: OfferRow, path: string): Fault[] {
  const faults: Fault[] = [];
  const fault = (field: string, message: string): void =>
    void faults.push({ path: `${path}.${field}`, message });
  if (offer.kind === 'server' && !offer.limits) {
    if (offer.vcpu === null) fault('vcpu', 'a server needs its vCPU');
    if (offer.memory === null) fault('memory', 'a server needs its memory in GiB');
  }
  if (offer.lifecycle === 'current' && offer.retires !== null) {
    fault('retires', 'a current offer has no retirement date');
  }
  const { limits } = offer;
  if (limits && new Decimal(limits.vcpuLeast).greaterThan(limits.vcpuMost)) {
    fault('limits.vcpuLeast', 'exceeds the most');
  }
  if (limits && new Decimal(limits.memoryPerVcpuLeast).greaterThan(limits.memoryPerVcpuMost)) {
    fault('limits.memoryPerVcpuLeast', 'exceeds the most');
  }
  return faults;
}

export function crossCheck(file: PriceBookFile): Fault[] {
  const checker = new BookChecker();
  const places = new Map(file.offers.map((offer, index) => [offer.sku, `offers[${index}]`]));
  return [
    ...file.regions.flatMap((region, index) => checker.addRegion(region, `regions[${index}]`)),
    ...file.offers.flatMap((offer, index) => checker.addOffer(offer, `offers[${index}]`)),
    ...file.rates.flatMap((rate, index) => checker.addRate(rate, index, `rates[${index}]`)),
    ...checker.end((sku) => places.get(sku) ?? ''),
  ];
}
