/** Entries of a component by the names that traces mark them with: putting another value in their place. */
import { type Component, withCased } from '../design';

/**
 * The component with another value of one entry, in every case; null: it has no such entry.
 *
 * @example
 * withEntry(server, 'count', '3')?.count.likely; // => '3'
 */
export function withEntry(component: Component, entry: string, value: string): Component | null {
  return withCased(component, entry, { likely: value });
}
