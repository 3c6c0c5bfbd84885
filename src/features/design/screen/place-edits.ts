/**
 * What moving a component to another place means for its choice: the same offer where it exists, else the cheapest of
 * the same size for servers, else the only offer there is; otherwise the choice is open and says so.
 */
import { roleOf } from '@/engine/books';
import {
  CHOICE,
  chosenPlace,
  type Choice,
  type Component,
  type Design,
  type Edit,
  enteredByHand,
  type Place,
  guessedChoice,
  withTakenPlace,
  withUsualUse,
} from '@/engine/design';
import type { FoundOffer } from '@/features/price-books/use/book-ports';
import type { PricingClient } from '@/features/design/worker/client';
import type { BookInfo } from './book-list';

export async function placeEdits(
  client: PricingClient,
  design: Design,
  component: Component,
  place: Place,
  bookList: readonly BookInfo[],
): Promise<Edit[]> {
  const book = bookList.find((each) => each.key === place.book);
  const pinned = design.books.some((pin) => pin.book === place.book);
  const books =
    pinned || !book ? design.books : [...design.books, { book: book.key, revision: book.revision }];
  const choice = await choiceAt(client, { ...design, books }, component, place);
  return [
    ...(pinned ? [] : [{ edit: 'pin-books', books } as const]),
    ...chosenPlace(component, place),
    ...(choice ? [{ edit: 'set-component', id: component.id, field: 'choice', value: choice } as const] : []),
  ];
}

/** What a new line begins with, before anything is asked: the usual need or quantity, where its place says at whose prices. */
export function begun(component: Component): Component {
  return !component.place || isNeverGuessed(component) ? component : withUsualUse(component);
}

/** The cheapest that there is for a line that has no choice yet; no edits where there is none, or it has one. */
export async function firstChoice(
  client: PricingClient,
  design: Design,
  component: Component,
): Promise<Edit[]> {
  if (!component.place || component.choice.by !== 'none' || isNeverGuessed(component)) return [];
  const offers = await client.ask({ ask: 'offers', design, component });
  const [cheapest, ...others] = offers
    .filter((offer) => offer.soldHere && !offer.retires)
    .sort((a, b) => Number(a.monthly ?? Infinity) - Number(b.monthly ?? Infinity));
  if (!cheapest) return [];
  const { id } = component;
  const choice: Choice = { by: 'sku', sku: cheapest.sku };
  const chosen: Edit = { edit: 'set-component', id, field: 'choice', value: choice };
  if (others.length === 0) return [chosen];
  const { guesses = null } = guessedChoice(component, choice);
  return [chosen, { edit: 'set-component', id, field: 'guesses', value: guesses }];
}

/** Money that is bought ahead, and shares of what others cost: nobody guesses those. */
const isNeverGuessed = ({ kind }: Component): boolean => roleOf(kind) !== 'part';

/** A new component of a found offer, at its book. */
export function ofOffer(
  design: Design,
  component: Component,
  offer: FoundOffer,
  bookList: readonly BookInfo[],
): { readonly component: Component; readonly pins: readonly Edit[] } {
  const book = bookList.find((each) => each.key === offer.book);
  const { place } = component;
  if (!book) return { component, pins: [] };
  const stays = place?.book === offer.book && offer.regions.includes(place.region);
  const region = stays ? place.region : offer.region;
  const pinned = design.books.some((pin) => pin.book === book.key);
  const books = [...design.books, { book: book.key, revision: book.revision }];
  const chosen: Component = { ...component, name: offer.name, choice: { by: 'sku', sku: offer.sku } };
  return {
    // Where it is not sold at the place so far, it is placed where it is cheapest: that is nobody's choice either.
    component: withTakenPlace({ ...chosen, guesses: [] }, { book: book.key, region }),
    pins: pinned ? [] : [{ edit: 'pin-books', books }],
  };
}

/** What puts a line that has no place yet where a found offer is, with that offer. */
export function placedAtOffer(
  { books }: Design,
  component: Component,
  offer: FoundOffer,
  bookList: readonly BookInfo[],
): Edit[] {
  const { id } = component;
  const { book, region, sku } = offer;
  const revision = bookList.find((each) => each.key === book)?.revision;
  const pinned = books.some((pin) => pin.book === book);
  return [
    ...(pinned || !revision ? [] : [{ edit: 'pin-books', books: [...books, { book, revision }] } as const]),
    ...chosenPlace(component, { book, region }),
    { edit: 'set-component', id, field: 'choice', value: { by: 'sku', sku } },
    ...enteredByHand(component, CHOICE),
  ];
}

/** The choice to make at a place; null: leave it as it is. */
export async function choiceAt(
  client: PricingClient,
  design: Design,
  component: Component,
  place: Place,
): Promise<Choice | null> {
  const { choice } = component;
  if (choice.by === 'cheapest') return null;
  const there = await client.ask({ ask: 'offers', design, component: { ...component, place } });
  if (choice.by === 'sku' && there.some((offer) => offer.sku === choice.sku)) return null;
  const sold = there.filter((offer) => offer.soldHere);
  if (sold.length === 1) return { by: 'sku', sku: sold[0]!.sku };
  if (choice.by === 'none') return null;
  const here = await client.ask({ ask: 'offers', design, component });
  const size = here.find((offer) => offer.sku === choice.sku);
  if (component.kind !== 'server' || size?.vcpu == null || size.memory == null) return { by: 'none' };
  return { by: 'cheapest', need: { vcpu: String(size.vcpu), memory: String(size.memory) } };
}
