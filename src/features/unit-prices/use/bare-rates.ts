/** What bare rates are read with where there is no design: the newest books, and the newest exchange rates. */
import type { Design } from '@/engine/design';
import { DEFAULT_MONTH } from '@/engine/time';
import { newestExchange } from '@/features/price-books/use/exchange';
import { allow } from '@/platform/use/may';
import type { Context } from '@/stores/ports';

const CURRENCY = 'USD';

export async function bareSurroundings(context: Context): Promise<Design> {
  allow(context.actor, 'bareSurroundings');
  const { actor, books, exchange } = context;
  const [listed, rows] = await Promise.all([books.list(actor.workspace), exchange.list(actor.workspace)]);
  return {
    title: 'Bare rates',
    description: '',
    currency: CURRENCY,
    assumptions: {
      month: DEFAULT_MONTH,
      countAllowances: true,
      exchange: newestExchange(rows, CURRENCY),
    },
    books: listed.map((book) => ({ book: book.key, revision: book.revisions[0]!.number })),
    sections: [],
  };
}
