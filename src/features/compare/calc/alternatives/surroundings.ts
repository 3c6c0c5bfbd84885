/**
 * What a change of a line hangs on beside the line: the books as far as they are loaded, and how the design is priced. What
 * is known of lines belongs to it and ends with it.
 */
import type { PriceBook } from '@/engine/books';
import type { Change, Component, Design } from '@/engine/design';
import { createMover, type Mover } from '@/engine/moving';
import { type BookSet, pinnedBooks, type Pricer } from '@/engine/pricing';
import type { BookOf } from './line-changes';
import type { LineChange } from './model';

export class Surroundings {
  readonly bookOf: BookOf;
  readonly mover: Mover;
  private readonly pinned: readonly (PriceBook | undefined)[];
  private readonly known = new WeakMap<Change, WeakMap<Component, LineChange>>();

  constructor(
    private readonly design: Design,
    private readonly books: BookSet,
    pricer: Pricer,
  ) {
    this.pinned = pinsOf(design, books);
    this.bookOf = pinnedBooks(design, books);
    this.mover = createMover(design, books, pricer);
  }

  /** Whether they are still those of a design. Of a revision more may have been loaded meanwhile. */
  hold(design: Design): boolean {
    const { currency, assumptions, agreements, sold } = this.design;
    return (
      currency === design.currency &&
      assumptions === design.assumptions &&
      agreements === design.agreements &&
      sold === design.sold &&
      pinsOf(design, this.books).every((book, at) => book === this.pinned[at])
    );
  }

  /** Lines under a change, as far as they were looked at. */
  under(change: Change): WeakMap<Component, LineChange> {
    let known = this.known.get(change);
    if (!known) this.known.set(change, (known = new WeakMap()));
    return known;
  }
}

const pinsOf = (design: Design, books: BookSet): (PriceBook | undefined)[] =>
  design.books.map(({ book, revision }) => books.get(book, revision));
