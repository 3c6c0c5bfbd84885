/** Exchange-rate tables of a workspace: dated, brought in as CSV, taken over by designs. Needs J8, D14. */
import { readExchangeCsv } from '@/formats';
import { requireRole } from './actor';
import { invalid } from './app-error';
import type { Context, ExchangeRow } from './ports';

export async function listExchange(context: Context): Promise<ExchangeRow[]> {
  requireRole(context.actor, 'viewer');
  return context.exchange.list(context.actor.workspace);
}

/** All rows or none; rows of the same date and pair are replaced. */
export async function importExchange(context: Context, text: string): Promise<number> {
  requireRole(context.actor, 'editor');
  const read = readExchangeCsv(text);
  if (!read.ok) {
    throw invalid('The table of exchange rates was refused. Nothing was changed.', read.faults, read.more);
  }
  await context.exchange.put(context.actor.workspace, read.value);
  return read.value.length;
}
