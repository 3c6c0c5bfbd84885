/** Exchange-rate tables of a workspace: dated, brought in as CSV, taken over by designs. Needs J8, D14. */
import { ONE } from '@/engine/base';
import type { Design } from '@/engine/design';
import { readExchangeCsv } from '@/features/price-books/format/exchange-csv';
import { allow } from '@/platform/use/may';
import { invalid } from '@/platform/use/app-error';
import type { Context, ExchangeRow } from '@/stores/ports';

export async function listExchange(context: Context): Promise<ExchangeRow[]> {
  allow(context.actor, 'listExchange');
  return context.exchange.list(context.actor.workspace);
}

/**
 * What one of each currency is worth in one common currency, by the newest rate of each pair: for sorting prices only.
 * The common one is that most rates lead to; currencies without a rate to it are left out.
 */
export function worthOf(rows: readonly ExchangeRow[]): Record<string, string> {
  const counts = new Map<string, number>();
  for (const { to } of rows) counts.set(to, (counts.get(to) ?? 0) + 1);
  const [common] = [...counts].sort(([a, m], [b, n]) => n - m || (a < b ? -1 : 1))[0] ?? [];
  const worth: Record<string, string> = {};
  for (const { from, to, rate } of [...rows].sort((a, b) => (a.date < b.date ? 1 : -1))) {
    if (to === common) worth[from] ??= rate;
    else if (from === common) worth[to] ??= ONE.dividedBy(rate).toString();
  }
  return worth;
}

/** The newest row of each pair to or from a currency, as a design takes it. */
export function newestExchange(
  rows: readonly ExchangeRow[],
  currency: string,
): Design['assumptions']['exchange'] {
  const newest = new Map<string, ExchangeRow>();
  for (const row of rows) {
    const pair = `${row.from}${row.to}`;
    if ((row.from === currency || row.to === currency) && !newest.has(pair)) newest.set(pair, row);
  }
  return [...newest.values()].map(({ from, to, rate, date }) => ({ from, to, rate, date }));
}

/** All rows or none; rows of the same date and pair are replaced. */
export async function importExchange(context: Context, text: string): Promise<number> {
  allow(context.actor, 'importExchange');
  const read = readExchangeCsv(text);
  if (!read.ok) {
    throw invalid('The table of exchange rates was refused. Nothing was changed.', read.faults, read.more);
  }
  await context.exchange.put(context.actor.workspace, read.value);
  return read.value.length;
}
