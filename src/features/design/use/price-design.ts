/** Prices a stored or given design on the server, with the books of the actor's workspace. */
import type { Design } from '@/engine/design';
import { type DesignSummary, summarise } from '@/engine/summary';
import { halfAwayFromZero, minorDigits } from '@/engine/money';
import { Decimal } from '@/engine/base';
import { loadBooks } from '@/features/price-books/use/load-books';
import type { BookStore, Context, StoredTotals, Urgency } from '@/stores/ports';

/** Where the context says who prices, there; else right here. */
export async function priceDesignOnServer(
  context: Context,
  design: Design,
  urgency: Urgency = 'soon',
): Promise<DesignSummary> {
  const { workspace } = context.actor;
  return context.price?.(workspace, design, urgency) ?? priceHere(context.books, workspace, design);
}

export async function priceHere(books: BookStore, workspace: string, design: Design): Promise<DesignSummary> {
  return summarise(design, await loadBooks(books, workspace, design));
}

/** What is kept of a summary: for lists, and to say what a later calculation changes. */
export function totalsOf(summary: DesignSummary): StoredTotals {
  const round = (value: string): string =>
    halfAwayFromZero(new Decimal(value), minorDigits(summary.currency)).toString();
  return {
    monthly: summary.printed,
    low: round(summary.wick.low),
    high: round(summary.wick.high),
    unpriced: summary.unpriced,
    lines: Object.fromEntries(
      summary.sections.flatMap((section) => section.lines.map((line) => [line.id, line.printed])),
    ),
  };
}
