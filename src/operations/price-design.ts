/** Prices a stored or given design on the server, with the books of the actor's workspace. */
import type { Design } from '@/core/design';
import { type DesignSummary, summarise } from '@/core/range';
import { halfAwayFromZero, minorDigits } from '@/core/money';
import { Decimal } from '@/core/base';
import { loadBooks } from './load-books';
import type { Context, Totals } from './ports';

export async function priceDesignOnServer(context: Context, design: Design): Promise<DesignSummary> {
  return summarise(design, await loadBooks(context.books, context.actor.workspace, design));
}

/** What lists show of a summary. */
export function totalsOf(summary: DesignSummary): Totals {
  const round = (value: string): string =>
    halfAwayFromZero(new Decimal(value), minorDigits(summary.currency)).toString();
  return {
    monthly: summary.printed,
    low: round(summary.wick.low),
    high: round(summary.wick.high),
    unpriced: summary.unpriced,
  };
}
