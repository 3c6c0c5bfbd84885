/** Components of which nothing differs between lean, likely and heavy: they are priced once for all three. */
import type { Component } from '../design';
import type { Cased } from '../usage';

/** Components never change, so neither does the answer. */
const known = new WeakMap<Component, boolean>();

/** No quantity of the component differs between cases. Interruptible prices move by themselves. */
export function sameInEveryCase(component: Component): boolean {
  const before = known.get(component);
  if (before !== undefined) return before;
  const answer = component.term !== 'interruptible' && !holdsRange(component);
  known.set(component, answer);
  return answer;
}

/** Whether a lean or heavy value stands anywhere in what was entered. */
function holdsRange(value: unknown): boolean {
  if (value === null || typeof value !== 'object') return false;
  const { lean, heavy } = value as Partial<Cased>;
  return lean !== undefined || heavy !== undefined || Object.values(value).some(holdsRange);
}
