/** The cheapest offer that a component could take where it stands. */
import type { Component } from '@/engine/design';
import { compareOffers, type OfferPrice } from '@/engine/analysis';
import { priceAlone } from '@/engine/pricing';
import type { CheckContext } from './model';

/** Cheapest first; only what is sold here, will stay, and has an amount. */
export function offersHere(component: Component, { design, books }: CheckContext): OfferPrice[] {
  return compareOffers(component, design, books)
    .filter(({ offer, soldHere, monthly }) => soldHere && monthly && offer.lifecycle === 'current')
    .sort((a, b) => a.monthly!.comparedTo(b.monthly!) || (a.offer.sku < b.offer.sku ? -1 : 1));
}

/**
 * The component with the cheapest offer of its kind, and of its usage only what that offer bills. Null: nothing of the
 * kind can be bought there.
 *
 * @example
 * withCheapestOffer({ ...server, choice: { by: 'none' } }, { design, books, bookOf: () => book })?.choice; // => { by: 'sku', sku: 'L-4' }
 */
export function withCheapestOffer(
  component: Component,
  context: Pick<CheckContext, 'design' | 'books' | 'bookOf'>,
): Component | null {
  const { place } = component;
  const book = context.bookOf(component);
  if (!place || !book) return null;
  const priced = book.soldIn(place.region, component.kind).flatMap((offer) => {
    if (offer.lifecycle !== 'current') return [];
    const meters = new Set(book.ratesOf(offer.sku, place.region).map((rate) => rate.meter));
    const usage = Object.fromEntries(Object.entries(component.usage).filter(([meter]) => meters.has(meter)));
    const chosen: Component = { ...component, usage, choice: { by: 'sku', sku: offer.sku } };
    const line = priceAlone(chosen, context.design, context.books);
    return line.status === 'priced' ? [{ chosen, monthly: line.monthly.value }] : [];
  });
  return priced.sort((a, b) => a.monthly.comparedTo(b.monthly))[0]?.chosen ?? null;
}
