/** One component priced by itself, for lists of alternatives. Pools count only the component itself, and the lists say so. */
import type { Component, Design } from '../design';
import type { Case } from '../usage';
import type { BookSet } from './book-set';
import type { When } from './context';
import { createPricer, priceDesign, type Pricer } from './pricer';
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

/** Prices one component after the other by itself, in the likely case. */
export type Alone = (component: Component) => PricedLine;

/**
 * The same for many components of a design: what several of them ask of the same offers is worked out once. A pricer that
 * is there already knows it from the design itself.
 *
 * @example
 * const alone = aloneIn(design, books);
 * const line = alone(design.sections[0]!.components[0]!);
 * line.status === 'priced' && line.monthly.value.toString(); // => '146'
 */
export function aloneIn(design: Design, books: BookSet, pricer: Pricer = createPricer(books)): Alone {
  return (component) => {
    const sections = [{ id: 'alone', name: '', components: [component] }];
    return pricer.price(pricer.plan({ ...design, sections }), { case: 'likely' }).sections[0]!.lines[0]!;
  };
}
