/**
 * A design: sections of components, the assumptions it is priced under, and the price-book revisions it is pinned
 * to. Plain serialisable data with decimals as text, so that browser, server and files hold the same thing.
 */
import type { Agreement } from '../terms';
import type { Alternative } from './alternative';
import type { Assumptions, BookPin, CheckAnswer } from './assumptions';
import type { Component, Place, Section } from './component';
import type { Scope } from './scope';

export interface Design {
  readonly title: string;
  readonly description: string;
  readonly currency: string;
  readonly assumptions: Assumptions;
  readonly books: readonly BookPin[];
  /** Where new lines are placed; absent: where the last one is. Changes no amount. */
  readonly place?: Place | null;
  readonly sections: readonly Section[];
  readonly agreements?: readonly Agreement[];
  readonly answers?: readonly CheckAnswer[];
  /** Beside the design, which is their baseline. They change no amount of it. */
  readonly alternatives?: readonly Alternative[];
  /** Priced as it is sold on: the resale price stands in for the contracted one. Never in a file. */
  readonly sold?: boolean;
}

/**
 * @example
 * allComponents(design).map(({ id }) => id); // => ['a']
 */
export function allComponents(design: Design): Component[] {
  return design.sections.flatMap((section) => section.components);
}

/**
 * @example
 * findComponent(design, 'a')?.kind; // => 'server'
 */
export function findComponent(design: Design, id: string): Component | undefined {
  for (const section of design.sections) {
    const found = section.components.find((component) => component.id === id);
    if (found) return found;
  }
  return undefined;
}

/**
 * The lines that a wide change or a question reaches, in their order. Lines that are gone are left out.
 *
 * @example
 * linesIn(design, { of: 'lines', ids: ['a', 'gone'] }).map(({ id }) => id); // => ['a']
 */
export function linesIn(design: Design, what: Scope): Component[] {
  if (what.of === 'section') {
    return [...(design.sections.find(({ id }) => id === what.id)?.components ?? [])];
  }
  const all = allComponents(design);
  if (what.of === 'all') return all;
  const ids = new Set(what.ids);
  return all.filter(({ id }) => ids.has(id));
}
