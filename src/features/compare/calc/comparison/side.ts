/** One side of a comparison. */
import type { Issue } from '@/engine/base';
import type { Offer } from '@/engine/books';
import { allComponents, type Component, type Design } from '@/engine/design';
import { type BookSet, pinnedBooks } from '@/engine/pricing';
import type { DesignSummary, LineSummary } from '@/engine/summary';
import { outsideOf } from '@/engine/moving';
import type { ComparedDesign, Remark } from './model';
import { printedOf } from './printed';

export interface PricedColumn extends ComparedDesign {
  readonly summary: DesignSummary;
}

/** One column with its lines at hand. */
export class Side {
  readonly lines: ReadonlyMap<string, LineSummary>;
  readonly components: ReadonlyMap<string, Component>;
  readonly notes: ReadonlyMap<string, readonly Issue[]>;
  private readonly bookOf: ReturnType<typeof pinnedBooks>;

  /** What lines are printed with; those without an amount are not in it. */
  readonly printed: ReadonlyMap<string, string>;

  /** Without a baseline it is the baseline itself. */
  constructor(
    readonly column: PricedColumn,
    books: BookSet,
    baseline: Side | null,
  ) {
    const { summary, design, outcomes } = column;
    this.lines = new Map(summary.sections.flatMap(({ lines }) => lines.map((line) => [line.id, line])));
    this.components = new Map(allComponents(design).map((each) => [each.id, each]));
    const notes = new Map<string, Issue[]>();
    for (const { lines } of outcomes)
      for (const { id, issues } of lines) notes.set(id, [...(notes.get(id) ?? []), ...issues]);
    this.notes = notes;
    this.bookOf = pinnedBooks(design, books);
    this.printed = printedOf(summary, this.lines, baseline);
  }

  /** Lines that stand where the design must not. */
  outside(): Remark[] {
    return outsideOf(this.design, this.bookOf).map(({ line, issue }) => ({
      id: line.id,
      name: line.name,
      issue,
    }));
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

/** Whether a line has an amount on both sides or on none. What is only on one side is compared with nothing. */
export function comparableIn(id: string, side: Side, baseline: Side): boolean {
  if (!side.lines.has(id) || !baseline.lines.has(id)) return !side.lines.has(id) || side.printed.has(id);
  return side.printed.has(id) === baseline.printed.has(id);
}
