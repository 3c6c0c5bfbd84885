/**
 * What moving a component to another place means for its choice: the same offer where it exists, else the cheapest of
 * the same size for servers, else the only offer there is; otherwise the choice is open and says so.
 */
import {
  chosenPlace,
  type Choice,
  type Component,
  type Design,
  type Edit,
  type Place,
  guessedChoice,
  withTakenPlace,
  withUsualUse,
} from '@/core/design';
import type { FoundOffer } from '@/operations';
import type { PricingClient } from '@/workers/client';
import type { ShelfBook } from './shelf';

export async function placeEdits(
  client: PricingClient,
  design: Design,
  component: Component,
  place: Place,
  shelf: readonly ShelfBook[],
): Promise<Edit[]> {
  const book = shelf.find((each) => each.key === place.book);
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
  return !component.place || NOT_GUESSED.has(component.kind) ? component : withUsualUse(component);
}

/** The cheapest that there is for a line that has no choice yet; no edits where there is none, or it has one. */
export async function firstChoice(
  client: PricingClient,
  design: Design,
  component: Component,
): Promise<Edit[]> {
  if (!component.place || component.choice.by !== 'none' || NOT_GUESSED.has(component.kind)) return [];
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
const NOT_GUESSED: ReadonlySet<Component['kind']> = new Set([
  'custom',
  'prepaid-credit',
  'spend-commitment',
  'support-plan',
  'software-fee',
]);

/** A new component of a found offer, at its book. */
export function ofOffer(
  design: Design,
  component: Component,
  offer: FoundOffer,
  shelf: readonly ShelfBook[],
): { readonly component: Component; readonly pins: readonly Edit[] } {
  const book = shelf.find((each) => each.key === offer.book);
  const region = component.place?.book === offer.book ? component.place.region : book?.regions[0]?.code;
  if (!book || !region) return { component, pins: [] };
  const pinned = design.books.some((pin) => pin.book === book.key);
  const books = [...design.books, { book: book.key, revision: book.revision }];
  const chosen: Component = { ...component, name: offer.name, choice: { by: 'sku', sku: offer.sku } };
  return {
    // At another provider the place is its first region: that is nobody's choice either.
    component: withTakenPlace({ ...chosen, guesses: [] }, { book: book.key, region }),
    pins: pinned ? [] : [{ edit: 'pin-books', books }],
  };
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
