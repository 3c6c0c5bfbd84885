/** The cheapest offer of each edition of a form, priced as it would be in the design. */
import type { Decimal } from '@/engine/base';
import type { Offer, PriceBook } from '@/engine/books';
import type { Component, Design, Place } from '@/engine/design';
import { type BookSet, priceAlone } from '@/engine/pricing';
import type { Form } from './form-data';
import type { FormRow } from './model';

/** Where it would be bought. */
export interface BuyingPlace {
  readonly place: Place;
  readonly design: Design;
  readonly book: PriceBook;
  readonly books: BookSet;
  readonly newId: () => string;
}

/** A form that does not fit, and why. */
export function leftOut(form: Form, note: string): FormRow {
  return { form, edition: '', offer: '', component: null, monthly: null, note };
}

type Candidate = (offer: Offer) => { readonly component: Component; readonly note: string } | null;

export function bestOfEditions(
  form: Form,
  { place, design, book, books }: BuyingPlace,
  candidate: Candidate,
  none = 'Nothing of this size is sold here.',
): FormRow[] {
  const best = new Map<string, FormRow & { readonly monthly: Decimal }>();
  for (const offer of book.soldIn(place.region, form.kind)) {
    if (offer.lifecycle !== 'current') continue;
    const found = candidate(offer);
    const line = found && priceAlone(found.component, design, books);
    if (!found || line?.status !== 'priced') continue;
    const edition = Object.entries(offer.attributes ?? {})
      .map(([name, value]) => `${name} ${value}`)
      .join(', ');
    const monthly = line.monthly.value;
    const known = best.get(edition);
    if (known && !monthly.lessThan(known.monthly)) continue;
    best.set(edition, { form, edition, offer: offer.name, monthly, ...found });
  }
  return best.size > 0 ? [...best.values()] : [leftOut(form, none)];
}
