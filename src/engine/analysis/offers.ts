/** The same component with every offer of its kind. Pools count only the component itself here. */
import type { Decimal } from '../base';
import { mainMeter, nearestRegion, type Offer, type Region } from '../books';
import type { Component, Design } from '../design';
import { type BookSet, priceAlone } from '../pricing';
import { firstUnitPrice } from '../rates';
import { rateCard } from '../rating';
import { conversionFactor } from '../units';

export interface OfferPrice {
  readonly offer: Offer;
  /** Price of one hour on demand; null for kinds without hours or where not sold so. */
  readonly hourly: Decimal | null;
  /** Price of the first unit of the main meter, with its unit; null where not sold. */
  readonly unitPrice: { readonly price: Decimal; readonly unit: string } | null;
  /** The component as it is (count, use, term) with this offer; null where it cannot be priced so. */
  readonly monthly: Decimal | null;
  readonly soldHere: boolean;
  /** Where it is not sold here: the nearest region that has it, if any. */
  readonly nearest: Region | null;
}

/**
 * Every offer of the component's kind in its book, sold in its region or not. Empty without a place.
 *
 * @example
 * compareOffers(server, design, books).find(({ offer }) => offer.sku === 'A-8')?.monthly?.toString(); // => '277.4'
 */
export function compareOffers(component: Component, design: Design, books: BookSet): OfferPrice[] {
  const pin = design.books.find((each) => each.book === component.place?.book);
  const book = pin && books.get(pin.book, pin.revision);
  const here = component.place && book?.region(component.place.region);
  if (!book || !here) return [];
  const meter = mainMeter(component.kind);
  return book.offersOf(component.kind).map((offer) => {
    const selling = book.regionsSelling(offer.sku);
    const soldHere = selling.includes(here.code);
    if (!soldHere) {
      const candidates = selling.flatMap((code) => book.region(code) ?? []);
      const nearest = nearestRegion(here, candidates) ?? null;
      return { offer, hourly: null, unitPrice: null, monthly: null, soldHere, nearest };
    }
    const rate = meter && rateCard(book, offer, here.code).rate(meter.meter, 'on-demand');
    const first = rate && firstUnitPrice(rate.charge);
    const unitPrice = rate && first ? { price: first, unit: rate.unit } : null;
    const factor = unitPrice && meter?.from === 'running' ? conversionFactor('hour', unitPrice.unit) : null;
    const line = priceAlone({ ...component, choice: { by: 'sku', sku: offer.sku } }, design, books);
    return {
      offer,
      hourly: unitPrice && factor?.ok ? unitPrice.price.times(factor.value) : null,
      unitPrice,
      monthly: line.status === 'priced' ? line.monthly.value : null,
      soldHere,
      nearest: null,
    };
  });
}
