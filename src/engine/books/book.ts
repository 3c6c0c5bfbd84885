/**
 * A price book in the form the computation reads: one provider's rates in one currency at one published, dated
 * revision. `indexBook` makes it fast to look up; nothing in here ever changes after that.
 */
import type { Decimal } from '../base';
import type { Charge } from '../rates';
import type { EarlyEnd, RateTerm, SustainedBand, Term } from '../terms';
import type { Increment, Minimums } from '../usage';
import type { Kind } from './kind';

export interface Region {
  readonly code: string;
  readonly name: string;
  readonly country: string;
  /** The part of the world it lies in, by which a nearest equivalent is looked for; absent: not said. */
  readonly area?: string;
  readonly latitude: number;
  readonly longitude: number;
  /** Grams of CO2 equivalent per kWh of the local grid; null: not known. */
  readonly carbon: number | null;
  /** Name of the price band by kind; a region's band belongs to the kind, not to the provider as a whole. */
  readonly bands?: Readonly<Record<string, string>>;
}

/** What one running unit of an offer adds to the allowance of another meter: traffic that comes with a server. */
export interface Grant {
  readonly sku: string;
  readonly meter: string;
  /** A month, in `unit`. */
  readonly amount: Decimal;
  readonly unit: string;
}

/** Limits of a size that is set freely. */
export interface SizeLimits {
  readonly vcpuLeast: Decimal;
  readonly vcpuMost: Decimal;
  /** GiB for each vCPU. */
  readonly memoryPerVcpuLeast: Decimal;
  readonly memoryPerVcpuMost: Decimal;
}

export interface Offer {
  readonly sku: string;
  readonly kind: Kind;
  readonly name: string;
  readonly family: string;
  /** Make of the processor, for servers; else empty. */
  readonly processor: string;
  readonly vcpu: Decimal | null;
  /** GiB. */
  readonly memory: Decimal | null;
  readonly burstable: boolean;
  /**
   * `retiring`: still sold, with the date it ends; `announced`: promised, not sold yet. Both are kept out of
   * "cheapest that fits": a promised feature is not a feature.
   */
  readonly lifecycle: 'current' | 'retiring' | 'announced';
  readonly retires: string | null;
  readonly replacedBy: string | null;
  readonly note: string;
  readonly gpu?: Decimal | null;
  /** What the provider calls the service it belongs to (FOCUS ServiceName). */
  readonly service?: string;
  /** What it can do: `sleeps`, `replicas`, `bring-licence`… Compared beside the price. */
  readonly capabilities?: readonly string[];
  /** Grade, medium, redundancy, edition and the like. */
  readonly attributes?: Readonly<Record<string, string>>;
  /** Set where the size is chosen freely. */
  readonly limits?: SizeLimits | null;
  readonly grants?: readonly Grant[];
}

/** Over what a rate's tiers and allowance are counted. */
export type PoolScope = 'component' | 'region' | 'provider' | 'workspace';

export interface Rate {
  readonly sku: string;
  readonly region: string;
  readonly meter: string;
  readonly term: RateTerm;
  readonly unit: string;
  readonly charge: Charge;
  /** For commitments: paid once per unit at the start. */
  readonly upfront: Decimal | null;
  /** Included each month over the pool, in `unit`; null: none. */
  readonly allowance: Decimal | null;
  readonly pool: PoolScope;
  /** After so many months the allowance ends; null: never. */
  readonly allowanceMonths?: number | null;
  readonly increment?: Increment | null;
  readonly minimums?: Minimums | null;
  /** Which of the two sizes is billed; `consumed` unless said. */
  readonly basis?: 'consumed' | 'set-aside';
  readonly sustained?: readonly SustainedBand[] | null;
  /** The most one unit pays a month for its running time. */
  readonly monthlyCap?: Decimal | null;
  /** Interruptible: the price moves between these. */
  readonly range?: { readonly low: Decimal; readonly high: Decimal } | null;
  /** Commitments: what leaving early costs. */
  readonly early?: EarlyEnd | null;
  /** Prepaid credit: list prices beyond it are multiplied by this. */
  readonly overage?: Decimal | null;
}

export interface BookHead {
  readonly key: string;
  readonly title: string;
  readonly provider: string;
  readonly currency: string;
  readonly monthHours: Decimal;
  readonly revision: number;
  /** ISO date from which the prices hold. */
  readonly effective: string;
  readonly source: string;
}

export interface BookData extends BookHead {
  readonly regions: readonly Region[];
  readonly offers: readonly Offer[];
  readonly rates: readonly Rate[];
  /** Region codes by SKU, given where `rates` holds only some regions; else read off the rates. */
  readonly availability?: Readonly<Record<string, readonly string[]>>;
}

export interface PriceBook extends BookHead {
  readonly regions: readonly Region[];
  region(code: string): Region | undefined;
  offer(sku: string): Offer | undefined;
  rate(sku: string, region: string, meter: string, term: RateTerm): Rate | undefined;
  /** All rates of an offer in a region. */
  ratesOf(sku: string, region: string): readonly Rate[];
  /** Offers of a kind that have at least one rate in the region, in SKU order. */
  soldIn(region: string, kind: Kind): readonly Offer[];
  /** Offers of a kind, sold in the region or not, in SKU order. */
  offersOf(kind: Kind): readonly Offer[];
  sells(sku: string, region: string): boolean;
  /** Region codes that sell the offer, as far as this book's data was loaded. */
  regionsSelling(sku: string): readonly string[];
  /** Terms under which a component can pay for the offer in the region. */
  termsOf(sku: string, region: string): readonly Term[];
}

/**
 * @example
 * book.offer('A-4')?.vcpu?.toString(); // => '4'
 */
export function indexBook(data: BookData): PriceBook {
  const regions = new Map(data.regions.map((region) => [region.code, region]));
  const offers = new Map(data.offers.map((offer) => [offer.sku, offer]));
  const rates = new Map<string, Map<string, Rate[]>>();
  const selling = new Map<string, Set<string>>();
  for (const rate of data.rates) {
    setIn(selling, rate.sku, () => new Set<string>()).add(rate.region);
    const places = setIn(rates, rate.sku, () => new Map<string, Rate[]>());
    setIn(places, rate.region, () => []).push(rate);
  }
  const ratesOf = (sku: string, region: string): readonly Rate[] => rates.get(sku)?.get(region) ?? [];
  for (const [sku, codes] of Object.entries(data.availability ?? {})) selling.set(sku, new Set(codes));
  const sold = new Map<string, readonly Offer[]>();
  return {
    ...head(data),
    regions: data.regions,
    region: (code) => regions.get(code),
    offer: (sku) => offers.get(sku),
    // An offer has few rates in one region, so looking through them is faster than a key over all four.
    rate: (sku, region, meter, term) =>
      ratesOf(sku, region).findLast((rate) => rate.meter === meter && rate.term === term),
    soldIn: (region, kind) =>
      setIn(sold, `${region}\n${kind}`, () => {
        return data.offers
          .filter((offer) => offer.kind === kind && selling.get(offer.sku)?.has(region))
          .sort(bySku);
      }),
    offersOf: (kind) => data.offers.filter((offer) => offer.kind === kind).sort(bySku),
    sells: (sku, region) => selling.get(sku)?.has(region) ?? false,
    regionsSelling: (sku) => [...(selling.get(sku) ?? [])],
    ratesOf,
    termsOf: (sku, region) => {
      const terms = ratesOf(sku, region).map((rate) => rate.term);
      return [...new Set(terms)].filter((term): term is Term => !term.startsWith('spend-'));
    },
  };
}

const heads = new WeakMap<BookHead, BookHead>();

/**
 * Only the head of a book: what lists, tally line and sources print. Every line asks for it, so it is kept.
 *
 * @example
 * head({ ...book, rates: [] }).title; // => 'Small'
 */
export function head(data: BookHead): BookHead {
  const known = heads.get(data);
  if (known) return known;
  const { key, title, provider, currency, monthHours, revision, effective, source } = data;
  const made = { key, title, provider, currency, monthHours, revision, effective, source };
  heads.set(data, made);
  return made;
}

function bySku(a: Offer, b: Offer): number {
  return a.sku < b.sku ? -1 : 1;
}

function setIn<K, V>(map: Map<K, V>, key: K, make: () => V): V {
  let value = map.get(key);
  if (value === undefined) {
    value = make();
    map.set(key, value);
  }
  return value;
}
