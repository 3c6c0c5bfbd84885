/**
 * A price book in the form the computation reads: one provider's rates in one currency at one published, dated
 * revision. `indexBook` makes it fast to look up; nothing in here ever changes after that.
 */
import type { Decimal } from '../base';
import type { Charge } from '../rates';
import type { Term } from '../terms';
import type { Kind } from './kind';

export interface Region {
  readonly code: string;
  readonly name: string;
  readonly country: string;
  readonly latitude: number;
  readonly longitude: number;
  /** Grams of CO2 equivalent per kWh of the local grid; null: not known. */
  readonly carbon: number | null;
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
  /** `retiring`: still sold, with the date it ends; kept out of "cheapest that fits". */
  readonly lifecycle: 'current' | 'retiring';
  readonly retires: string | null;
  readonly replacedBy: string | null;
  readonly note: string;
}

/** Over what a rate's tiers and allowance are counted. */
export type PoolScope = 'component' | 'region' | 'provider';

export interface Rate {
  readonly sku: string;
  readonly region: string;
  readonly meter: string;
  readonly term: Term;
  readonly unit: string;
  readonly charge: Charge;
  /** For commitments: paid once per unit at the start. */
  readonly upfront: Decimal | null;
  /** Included each month over the pool, in `unit`; null: none. */
  readonly allowance: Decimal | null;
  readonly pool: PoolScope;
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
  rate(sku: string, region: string, meter: string, term: Term): Rate | undefined;
  /** Offers of a kind that have at least one rate in the region, in SKU order. */
  soldIn(region: string, kind: Kind): readonly Offer[];
  /** Offers of a kind, sold in the region or not, in SKU order. */
  offersOf(kind: Kind): readonly Offer[];
  /** Region codes that sell the offer, as far as this book's data was loaded. */
  regionsSelling(sku: string): readonly string[];
  /** Terms under which the offer is sold in the region. */
  termsOf(sku: string, region: string): readonly Term[];
}

export function indexBook(data: BookData): PriceBook {
  const regions = new Map(data.regions.map((region) => [region.code, region]));
  const offers = new Map(data.offers.map((offer) => [offer.sku, offer]));
  const rates = new Map<string, Rate>();
  const selling = new Map<string, Set<string>>();
  const terms = new Map<string, Set<Term>>();
  for (const rate of data.rates) {
    rates.set(rateKey(rate.sku, rate.region, rate.meter, rate.term), rate);
    setIn(selling, rate.sku, () => new Set<string>()).add(rate.region);
    setIn(terms, `${rate.sku}\n${rate.region}`, () => new Set<Term>()).add(rate.term);
  }
  for (const [sku, codes] of Object.entries(data.availability ?? {})) selling.set(sku, new Set(codes));
  const sold = new Map<string, readonly Offer[]>();
  return {
    ...head(data),
    regions: data.regions,
    region: (code) => regions.get(code),
    offer: (sku) => offers.get(sku),
    rate: (sku, region, meter, term) => rates.get(rateKey(sku, region, meter, term)),
    soldIn: (region, kind) =>
      setIn(sold, `${region}\n${kind}`, () => {
        return data.offers
          .filter((offer) => offer.kind === kind && selling.get(offer.sku)?.has(region))
          .sort(bySku);
      }),
    offersOf: (kind) => data.offers.filter((offer) => offer.kind === kind).sort(bySku),
    regionsSelling: (sku) => [...(selling.get(sku) ?? [])],
    termsOf: (sku, region) => [...(terms.get(`${sku}\n${region}`) ?? [])],
  };
}

/** Only the head of a book: what lists, tally line and sources print. */
export function head(data: BookHead): BookHead {
  const { key, title, provider, currency, monthHours, revision, effective, source } = data;
  return { key, title, provider, currency, monthHours, revision, effective, source };
}

function bySku(a: Offer, b: Offer): number {
  return a.sku < b.sku ? -1 : 1;
}

function rateKey(sku: string, region: string, meter: string, term: Term): string {
  return `${sku}\n${region}\n${meter}\n${term}`;
}

function setIn<K, V>(map: Map<K, V>, key: K, make: () => V): V {
  let value = map.get(key);
  if (value === undefined) {
    value = make();
    map.set(key, value);
  }
  return value;
}
