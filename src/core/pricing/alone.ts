/** One component priced by itself, for lists of alternatives. Pools count only the component itself, and the lists say so. */
import type { Component, Design } from '../design';
import type { Case } from '../usage';
import type { BookSet } from './book-set';
import type { When } from './context';
import { priceDesign } from './pricer';
import type { PricedLine } from './priced';

/**
 * Only the design's assumptions and agreements count, none of its other lines.
 *
 * @example
 * const line = priceAlone(design.sections[0]!.components[0]!, design, books);
 * line.status === 'priced' && line.monthly.value.toString(); // => '146'
 */
export function priceAlone(
  component: Component,
  design: Design,
  books: BookSet,
  which: Case = 'likely',
  when?: When,
): PricedLine {
  const alone: Design = { ...design, sections: [{ id: 'alone', name: '', components: [component] }] };
  return priceDesign(alone, books, which, when).sections[0]!.lines[0]!;
}
