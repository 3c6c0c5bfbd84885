/**
 * The offer index: offers of a kind in a region, under one term and pattern, from what costs least to what costs most.
 * It answers "cheapest that fits" by the first that fits, in place of a price for each. Source: pricing rules, "Cheapest
 * that fits". Held against `cheapestThatFits` by a property test.
 */
import { comparedWithoutHair, type Decimal, ONE, ZERO } from '../base';
import type { Kind, Offer, PriceBook } from '../books';
import { lacksOf, type Need, threadsOf } from '../sizing';
import { commitmentOf, type Term } from '../terms';
import { rateCard } from './rate-card';
import { unitMonthlyCost } from './unit-cost';

export interface RankedOffer {
  readonly offer: Offer;
  /** What one unit costs: an hour of it on demand, a month of it committed. In the book's currency. */
  readonly cost: Decimal;
}

export interface IndexKey {
  readonly region: string;
  readonly kind: Kind;
  readonly term: Term;
  readonly hoursInMonth: Decimal;
  readonly inRuns: boolean;
}

/**
 * The index of a book for one question. Kept beside the book, of which nothing ever changes.
 *
 * @example
 * const key = { region: 'severn', kind: 'server', term: 'on-demand', hoursInMonth: decimal('730'), inRuns: false };
 * offerIndex(book, key).cheapest({ vcpu: '3', memory: '10' })?.offer.sku; // => 'A-4'
 */
export function offerIndex(book: PriceBook, key: IndexKey): OfferIndex {
  let ofBook = indexes.get(book);
  if (!ofBook) indexes.set(book, (ofBook = new Map()));
  const { region, kind, term, hoursInMonth, inRuns } = key;
  // By the hour an order holds for any number of hours; what is paid upfront does not follow them.
  const month = commitmentOf(term) ? hoursInMonth.toString() : '';
  const name = `${region}\n${kind}\n${term}\n${inRuns}\n${month}`;
  let index = ofBook.get(name);
  if (!index) ofBook.set(name, (index = indexOf(book, key)));
  return index;
}

const indexes = new WeakMap<PriceBook, Map<string, OfferIndex>>();

function indexOf(book: PriceBook, { region, kind, term, hoursInMonth, inRuns }: IndexKey): OfferIndex {
  const ranked: RankedOffer[] = [];
  const others: Offer[] = [];
  for (const offer of book.soldIn(region, kind)) {
    const hours = { term, run: ONE, inMonth: hoursInMonth, inRuns };
    const { simple, cost } = unitMonthlyCost(rateCard(book, offer, region), hours);
    if (!simple) others.push(offer);
    else if (cost) ranked.push({ offer, cost });
  }
  return new OfferIndex(ranked, others);
}

const BURSTABLE = 1;
const RETIRING = 2;
const ANNOUNCED = 4;

/** Decimals of so many digits are told apart by the doubles that they are read as. */
const DOUBLE_DIGITS = 15;

export class OfferIndex {
  private readonly ranked: readonly RankedOffer[];
  private readonly vcpu: Float64Array;
  private readonly memory: Float64Array;
  private readonly flags: Uint8Array;
  /** Whether every size of the list is told rightly as a double, counted as every need counts. */
  private readonly short: boolean;

  constructor(
    ranked: readonly RankedOffer[],
    /** Offers with more than a price: what they cost is asked of the engine. */
    readonly others: readonly Offer[],
  ) {
    this.ranked = [...ranked].sort(byCost);
    // No offer has more than this; whether one that is counted in cores has enough is asked of `lacksOf`.
    this.vcpu = Float64Array.from(this.ranked, ({ offer }) => threadsOf(offer).toNumber());
    this.memory = Float64Array.from(this.ranked, ({ offer }) => offer.memory?.toNumber() ?? 0);
    this.flags = Uint8Array.from(this.ranked, ({ offer }) => flagsOf(offer));
    const told = ({ offer }: RankedOffer): boolean =>
      isShort(offer.vcpu) && isShort(offer.memory) && offer.attributes?.['vcpu-is'] !== 'core';
    this.short = this.ranked.every(told);
  }

  /** Of the offers that are nothing but a price, the one that costs least among those that fit; null: none does. */
  cheapest(need: Need): RankedOffer | null {
    const vcpu = Number(need.vcpu);
    const memory = Number(need.memory);
    const barred = ANNOUNCED | (need.allowBurstable ? 0 : BURSTABLE) | (need.allowRetiring ? 0 : RETIRING);
    const plain =
      this.short &&
      need.vcpu.length <= DOUBLE_DIGITS &&
      need.memory.length <= DOUBLE_DIGITS &&
      !wantsMore(need);
    for (let at = 0; at < this.ranked.length; at += 1) {
      if (this.vcpu[at]! < vcpu || this.memory[at]! < memory || (this.flags[at]! & barred) !== 0) continue;
      const found = this.ranked[at]!;
      if (plain || lacksOf(need, found.offer).length === 0) return found;
    }
    return null;
  }
}

function wantsMore({ family, processor, gpu, capabilities, attributes }: Need): boolean {
  return !!(family || processor || gpu || capabilities?.length || attributes);
}

function flagsOf({ burstable, lifecycle }: Offer): number {
  return (
    (burstable ? BURSTABLE : 0) |
    (lifecycle === 'retiring' ? RETIRING : 0) |
    (lifecycle === 'announced' ? ANNOUNCED : 0)
  );
}

function isShort(size: Decimal | null): boolean {
  return size === null || size.precision(true) <= DOUBLE_DIGITS;
}

/** Ties: fewer vCPU, then less memory, then SKU. */
function byCost(a: RankedOffer, b: RankedOffer): number {
  return (
    comparedWithoutHair(a.cost, b.cost) ||
    (a.offer.vcpu ?? ZERO).comparedTo(b.offer.vcpu ?? ZERO) ||
    (a.offer.memory ?? ZERO).comparedTo(b.offer.memory ?? ZERO) ||
    (a.offer.sku < b.offer.sku ? -1 : 1)
  );
}
