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

/** A new line with an amount at once, where its place says at whose prices: the usual need, at the cheapest there is. */
async function firstAmount(client: PricingClient, design: Design, component: Component): Promise<Component> {
  if (!component.place || NOT_GUESSED.has(component.kind)) return component;
  const usual = withUsualUse(component);
  if (usual.choice.by !== 'none') return usual;
  const offers = await client.ask({ ask: 'offers', design, component: usual });
  const [cheapest, ...others] = offers
    .filter((offer) => offer.soldHere && !offer.retires)
    .sort((a, b) => Number(a.monthly ?? Infinity) - Number(b.monthly ?? Infinity));
  if (!cheapest) return component;
  const choice: Choice = { by: 'sku', sku: cheapest.sku };
  return others.length === 0 ? { ...usual, choice } : guessedChoice(usual, choice);
}

/** Money that is bought ahead, and shares of what others cost: nobody guesses those. */
const NOT_GUESSED: ReadonlySet<Component['kind']> = new Set([
  'custom',
  'prepaid-credit',
  'spend-commitment',
  'support-plan',
  'software-fee',
]);

/** A new component with what can be chosen for it: a found offer at its book, else the usual at the cheapest. */
export async function withFirstChoice(
  client: PricingClient,
  design: Design,
  component: Component,
  offer: FoundOffer | null,
  shelf: readonly ShelfBook[],
): Promise<{ readonly component: Component; readonly pins: readonly Edit[] }> {
  if (!offer) return { component: await firstAmount(client, design, component), pins: [] };
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
