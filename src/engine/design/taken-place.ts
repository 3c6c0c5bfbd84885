/**
 * A place that nobody chose: a new line stands where the line before it stands, and is marked until somebody says that
 * this is meant. A wrong region that is taken over silently is a wrong price on every line. Need C6.
 */
import type { Component, Place } from './component';
import type { Edit } from './edit';

const MARK = 'place';

/**
 * A new component that takes its place over from another one.
 *
 * @example
 * withTakenPlace(server, server.place).guesses; // => ['place']
 */
export function withTakenPlace(component: Component, place: Place | null): Component {
  return place ? { ...component, place, guesses: [...(component.guesses ?? []), MARK] } : component;
}

/**
 * @example
 * placeIsTakenOver(withTakenPlace(server, server.place)); // => true
 */
export function placeIsTakenOver({ guesses, place }: Component): boolean {
  return place !== null && (guesses?.includes(MARK) ?? false);
}

/**
 * The guesses that are about quantities.
 *
 * @example
 * guessesOf({ guesses: ['count', 'place'] }); // => ['count']
 */
export function guessesOf({ guesses }: Pick<Component, 'guesses'>): readonly string[] {
  return guesses?.filter((each) => each !== MARK) ?? [];
}

/**
 * Says that the place is meant; no edits where it was chosen.
 *
 * @example
 * meantPlace(server); // => []
 */
export function meantPlace(component: Component): Edit[] {
  if (!component.guesses?.includes(MARK)) return [];
  const rest = guessesOf(component);
  const value = rest.length > 0 ? rest : null;
  return [{ edit: 'set-component', id: component.id, field: 'guesses', value }];
}

/**
 * Puts a component somewhere on purpose.
 *
 * @example
 * chosenPlace(server, { book: 'small', region: 'elbe' }); // => [{ edit: 'set-component', id: 'a', field: 'place', value: { book: 'small', region: 'elbe' } }]
 */
export function chosenPlace(component: Component, place: Place | null): Edit[] {
  return [
    { edit: 'set-component', id: component.id, field: 'place', value: place },
    ...meantPlace(component),
  ];
}
