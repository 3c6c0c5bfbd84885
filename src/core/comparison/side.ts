/** One side of a comparison. */
import type { Issue } from '../base';
import type { Offer } from '../books';
import { allComponents, type Component, type Design } from '../design';
import { type BookSet, pinnedBooks } from '../pricing';
import type { DesignSummary, LineSummary } from '../range';
import type { ComparedDesign } from './model';

export interface PricedColumn extends ComparedDesign {
  readonly summary: DesignSummary;
}

/** One column with its lines at hand. */
export class Side {
  readonly lines: ReadonlyMap<string, LineSummary>;
  readonly components: ReadonlyMap<string, Component>;
  readonly notes: ReadonlyMap<string, readonly Issue[]>;
  private readonly bookOf: ReturnType<typeof pinnedBooks>;

  constructor(
    readonly column: PricedColumn,
    books: BookSet,
  ) {
    const { summary, design, outcomes } = column;
    this.lines = new Map(summary.sections.flatMap(({ lines }) => lines.map((line) => [line.id, line])));
    this.components = new Map(allComponents(design).map((each) => [each.id, each]));
    const notes = new Map<string, Issue[]>();
    for (const { lines } of outcomes)
      for (const { id, issues } of lines) notes.set(id, [...(notes.get(id) ?? []), ...issues]);
    this.notes = notes;
    this.bookOf = pinnedBooks(design, books);
  }

  get design(): Design {
    return this.column.design;
  }

  /** The offer that a line came to; null: none. */
  offer(id: string): Offer | null {
    const line = this.lines.get(id);
    const place = this.components.get(id)?.place;
    return (line?.offer && place && this.bookOf(place.book)?.offer(line.offer.sku)) ?? null;
  }
}
