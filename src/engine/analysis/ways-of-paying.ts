/** The same component under every way of paying. Pools count only the component itself here. Needs E4, E7. */
import type { Decimal } from '../base';
import { kindOf } from '../books';
import type { Component, Design } from '../design';
import { type Alone, aloneIn, type BookSet, type PricedLine } from '../pricing';
import { rateCard } from '../rating';
import { breakEvenShare, commitmentOf, TERMS, type Term } from '../terms';
import { type Leaving, leavingOf } from './leaving';

export interface TermPrice {
  readonly term: Term;
  readonly line: PricedLine;
  /** 1 − this way ÷ on demand; negative where it costs more; null without both. */
  readonly saving: Decimal | null;
  /** The share of the month it must run for the commitment to cost no more than on demand; null without both. */
  readonly breakEven: Decimal | null;
  /** What ending a commitment early costs; null: none, or the book does not say. */
  readonly leaving: Leaving | null;
}

/**
 * The amounts alone, without what they are held against. `alone` prices in this very design.
 *
 * @example
 * waysToPay(design.sections[0]!.components[0]!, design, books).map((way) => way.term)[0]; // => 'on-demand'
 */
export function waysToPay(
  component: Component,
  design: Design,
  books: BookSet,
  alone: Alone = aloneIn(design, books),
): Pick<TermPrice, 'term' | 'line'>[] {
  return termsFor(component, design, books).map((term) => ({ term, line: alone({ ...component, term }) }));
}

/**
 * The same component under every way of paying that its kind knows. Needs E4, E7.
 *
 * @example
 * compareTerms(server, design, books).map(({ term }) => term); // => ['on-demand', '12-none', '12-part', '12-all', '36-none', '36-part', '36-all']
 */
export function compareTerms(component: Component, design: Design, books: BookSet): TermPrice[] {
  const alone = aloneIn(design, books);
  const always = alone({ ...component, term: 'on-demand', running: { pattern: 'always' } });
  const onDemand = alone({ ...component, term: 'on-demand' });
  return waysToPay(component, design, books, alone).map(({ term, line }) => {
    // An interruptible line knows no other price of its own: it is held against the same line on demand.
    const steady = onDemand.status === 'priced' ? onDemand.monthly.value : null;
    const against = line.status !== 'priced' ? null : term === 'interruptible' ? steady : line.onDemand;
    const saving =
      line.status === 'priced' && against && !against.isZero()
        ? line.monthly.value.dividedBy(against).negated().plus(1)
        : null;
    const breakEven =
      commitmentOf(term) && line.status === 'priced' && always.status === 'priced'
        ? breakEvenShare(line.monthly.value, always.monthly.value)
        : null;
    const leaving = leavingOf({ ...component, term }, line, onDemand, design, books);
    return { term, line, saving, breakEven, leaving };
  });
}

/** On demand, the fixed commitments of two lengths, and whatever else the chosen offer is sold under. */
function termsFor(component: Component, design: Design, books: BookSet): readonly Term[] {
  if (!kindOf(component.kind).committable) return ['on-demand'];
  const pin = design.books.find((each) => each.book === component.place?.book);
  const book = pin && books.get(pin.book, pin.revision);
  const { choice, place } = component;
  const sold = new Set<Term>();
  if (book && place) {
    const chosen = choice.by === 'sku' ? book.offer(choice.sku) : undefined;
    const offers = choice.by === 'sku' ? (chosen ? [chosen] : []) : book.soldIn(place.region, component.kind);
    for (const offer of offers) for (const term of rateCard(book, offer, place.region).terms) sold.add(term);
  }
  return TERMS.filter(
    (term) => sold.has(term) || !(term.endsWith('-exchangeable') || term === 'interruptible'),
  );
}
