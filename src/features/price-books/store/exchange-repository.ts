/** Exchange-rate tables in PostgreSQL. */
import type { Kysely } from 'kysely';
import type { ExchangeStore } from '@/features/price-books/use/book-ports';
import type { Database } from '@/stores/schema';

const ROWS_AT_ONCE = 1000;

export function exchangeRepository(db: Kysely<Database>): ExchangeStore {
  return {
    list: async (workspace) => {
      const rows = await db
        .selectFrom('exchange_table')
        .select(['date', 'base as from', 'quote as to', 'rate'])
        .where('workspace_id', '=', workspace)
        .orderBy('date', 'desc')
        .orderBy('base')
        .orderBy('quote')
        .execute();
      return rows;
    },
    put: (workspace, rows) =>
      db.transaction().execute(async (trx) => {
        for (let at = 0; at < rows.length; at += ROWS_AT_ONCE) {
          await trx
            .insertInto('exchange_table')
            .values(
              rows.slice(at, at + ROWS_AT_ONCE).map(({ date, from, to, rate }) => ({
                workspace_id: workspace,
                date,
                base: from,
                quote: to,
                rate,
              })),
            )
            .onConflict((conflict) =>
              conflict
                .columns(['workspace_id', 'date', 'base', 'quote'])
                .doUpdateSet((row) => ({ rate: row.ref('excluded.rate') })),
            )
            .execute();
        }
      }),
  };
}
