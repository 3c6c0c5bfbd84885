/**
 * Look-up, and only here: an offer in a region becomes its rates by meter and term. What prices reads the card and asks
 * no book. Source: pricing rules, "From usage to amount".
 */
import { type Kind, type Offer, type PriceBook, type Rate } from '../books';
import type { RateTerm, Term } from '../terms';

export interface RateCard {
  readonly offer: Offer;
  readonly region: string;
  readonly rates: readonly Rate[];
  /** Terms under which a component can pay for the offer here. */
  readonly terms: readonly Term[];
  rate(meter: string, term: RateTerm): Rate | undefined;
}

const NO_RATES: readonly Rate[] = [];

/**
 * The card of an offer in a region of its book; empty where it is not sold there. Kept beside the book, of which
 * nothing ever changes.
 *
 * @example
 * const card = rateCard(book, book.offer('A-4')!, 'severn');
 * card.rate('running', 'on-demand')?.unit; // => 'hour'
 */
export function rateCard(book: PriceBook, offer: Offer, region: string): RateCard {
  let ofBook = cards.get(book);
  if (!ofBook) cards.set(book, (ofBook = new Map()));
  let ofRegion = ofBook.get(region);
  if (!ofRegion) ofBook.set(region, (ofRegion = new Map()));
  let card = ofRegion.get(offer);
  if (!card) ofRegion.set(offer, (card = cardOf(book, offer, region)));
  return card;
}

const cards = new WeakMap<PriceBook, Map<string, Map<Offer, RateCard>>>();

function cardOf(book: PriceBook, offer: Offer, region: string): RateCard {
  const rates = book.ratesOf(offer.sku, region);
  const byMeter = new Map<string, Map<RateTerm, Rate>>();
  for (const rate of rates) {
    const known = byMeter.get(rate.meter);
    if (known) known.set(rate.term, rate);
    else byMeter.set(rate.meter, new Map([[rate.term, rate]]));
  }
  return {
    offer,
    region,
    rates: rates.length === 0 ? NO_RATES : rates,
    terms: book.termsOf(offer.sku, region),
    rate: (meter, term) => byMeter.get(meter)?.get(term),
  };
}

/**
 * After how many months allowances of any offer of a kind end, in a region; in rising order.
 *
 * @example
 * allowanceMonths(book, 'severn', 'server'); // => []
 */
export function allowanceMonths(book: PriceBook, region: string, kind: Kind): readonly number[] {
  let ofBook = monthsKnown.get(book);
  if (!ofBook) monthsKnown.set(book, (ofBook = new Map()));
  const key = `${region}\n${kind}`;
  let known = ofBook.get(key);
  if (!known) {
    const rates = book.soldIn(region, kind).flatMap((offer) => book.ratesOf(offer.sku, region));
    known = [...new Set(rates.flatMap(({ allowanceMonths: months }) => months ?? []))].sort((a, b) => a - b);
    ofBook.set(key, known);
  }
  return known;
}

const monthsKnown = new WeakMap<PriceBook, Map<string, readonly number[]>>();
