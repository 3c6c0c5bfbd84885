/**
 * One component priced by itself, for lists of alternatives: under every term, or with every offer of its kind.
 * Pools count only the component itself here, and the lists say so.
 */
import type { Decimal } from '../base';
import { kindOf, mainMeter, nearestRegion, type Offer, type Region } from '../books';
import type { Component, Design } from '../design';
import { firstUnitPrice } from '../rates';
import { breakEvenShare, commitmentOf, TERMS, type Term } from '../terms';
import { conversionFactor } from '../units';
import type { Case } from '../usage';
import type { BookSet } from './book-set';
import type { When } from './context';
import { type Leaving, leavingOf } from './leaving';
import { priceDesign } from './price-design';
import type { PricedLine } from './priced';

export function priceAlone(
  component: Component,
  design: Design,
  books: BookSet,
  which: Case = 'likely',
  when?: When,
): PricedLine {
  const alone: Design = { ...design, sections: [{ id: 'alone', name: '', components: [component] }] };
  return priceDesign(alone, books, which, new Map(), when).sections[0]!.lines[0]!;
}

export interface TermPrice {
  readonly term: Term;
  readonly line: PricedLine;
  /** 1 − this way ÷ on demand; negative where it costs more; null without both. */
  readonly saving: Decimal | null;
  /** The share of the month it must run for the commitment to cost no more than on demand; null without both. */
  readonly breakEven: Decimal | null;
  /** What ending a commitment early costs; null: none, or the book does not say. */
  readonly leaving: Leaving | null;
}

/** The same component under every way of paying that its kind knows. Needs E4, E7. */
export function compareTerms(component: Component, design: Design, books: BookSet): TermPrice[] {
  const always = priceAlone(
    { ...component, term: 'on-demand', running: { pattern: 'always' } },
    design,
    books,
  );
  const onDemand = priceAlone({ ...component, term: 'on-demand' }, design, books);
  return termsFor(component, design, books).map((term) => {
    const line = priceAlone({ ...component, term }, design, books);
    // An interruptible line knows no other price of its own: it is held against the same line on demand.
    const steady = onDemand.status === 'priced' ? onDemand.monthly.value : null;
    const against = line.status !== 'priced' ? null : term === 'interruptible' ? steady : line.onDemand;
    const saving =
      line.status === 'priced' && against && !against.isZero()
        ? line.monthly.value.dividedBy(against).negated().plus(1)
        : null;
    const breakEven =
      commitmentOf(term) && line.status === 'priced' && always.status === 'priced'
        ? breakEvenShare(line.monthly.value, always.monthly.value)
        : null;
    const leaving = leavingOf({ ...component, term }, line, onDemand, design, books);
    return { term, line, saving, breakEven, leaving };
  });
}

/** On demand, the fixed commitments of two lengths, and whatever else the chosen offer is sold under. */
function termsFor(component: Component, design: Design, books: BookSet): readonly Term[] {
  if (!kindOf(component.kind).committable) return ['on-demand'];
  const pin = design.books.find((each) => each.book === component.place?.book);
  const book = pin && books.get(pin.book, pin.revision);
  const { choice, place } = component;
  const sold = new Set<Term>();
  if (book && place) {
    const skus =
      choice.by === 'sku' ? [choice.sku] : book.soldIn(place.region, component.kind).map((each) => each.sku);
    for (const sku of skus) for (const term of book.termsOf(sku, place.region)) sold.add(term);
  }
  return TERMS.filter(
    (term) => sold.has(term) || !(term.endsWith('-exchangeable') || term === 'interruptible'),
  );
}

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

/** Every offer of the component's kind in its book, sold in its region or not. Empty without a place. */
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
    const rate = meter && book.rate(offer.sku, here.code, meter.meter, 'on-demand');
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
