/**
 * What candidates of "cheapest that fits" cost, where more than a price has to be worked out: many lines of a design ask
 * the same of the same offers. Belongs to a pricer and to the settings and case that are priced under. The key holds all
 * that a cost hangs on, so it cannot change an answer.
 */
import type { Decimal, Result } from '../base';
import type { Component } from '../design';

const MOST = 20_000;

export class CostMemory {
  private readonly costs = new Map<string, Result<Decimal>>();

  cost(place: string, asked: string, work: () => Result<Decimal>): Result<Decimal> {
    const key = `${place}\n${asked}`;
    const known = this.costs.get(key);
    if (known) return known;
    if (this.costs.size >= MOST) this.costs.clear();
    const made = work();
    // A price that is missing may come with more of the revision; a price that is there stays.
    if (made.ok) this.costs.set(key, made);
    return made;
  }
}

/** Everything about a component that a cost may hang on: not who it is, nor which offer it seeks. */
export function askedBy(component: Component): string {
  return JSON.stringify({ ...component, id: '', name: '', choice: null });
}
