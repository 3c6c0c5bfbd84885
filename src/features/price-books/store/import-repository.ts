/** Imports under way and done. Written outside the import's own transaction, so that everyone sees them move. */
import type { Kysely } from 'kysely';
import type { ImportStore } from '@/features/price-books/use/book-ports';
import { UUID } from '@/features/design/store/design-repository';
import type { Database } from '@/stores/schema';

export function importRepository(db: Kysely<Database>): ImportStore {
  return {
    begin: async (workspace, { id, fileName, bytesTotal }, at) => {
      await db
        .insertInto('book_import')
        .values({
          id,
          workspace_id: workspace,
          file_name: fileName,
          state: 'running',
          bytes: 0,
          bytes_total: bytesTotal,
          rates: 0,
          cancel_asked: false,
          outcome: null,
          started_at: at,
          seen_at: at,
        })
        .execute();
    },
    progress: async (id, bytes, rates, at) => {
      const row = await db
        .updateTable('book_import')
        .set({ bytes, rates, seen_at: at })
        .where('id', '=', id)
        .returning('cancel_asked')
        .executeTakeFirst();
      return row?.cancel_asked ?? false;
    },
    end: async (id, state, outcome, at) => {
      await db
        .updateTable('book_import')
        .set({ state, outcome: JSON.stringify(outcome), seen_at: at })
        .where('id', '=', id)
        .execute();
    },
    find: async (workspace, id) => {
      if (!UUID.test(id)) return null;
      const row = await db
        .selectFrom('book_import')
        .selectAll()
        .where('workspace_id', '=', workspace)
        .where('id', '=', id)
        .executeTakeFirst();
      return row
        ? {
            id: row.id,
            fileName: row.file_name,
            state: row.state,
            bytes: Number(row.bytes),
            bytesTotal: row.bytes_total === null ? null : Number(row.bytes_total),
            rates: row.rates,
            outcome: row.outcome,
            startedAt: row.started_at.toISOString(),
            seenAt: row.seen_at.toISOString(),
          }
        : null;
    },
    cancel: async (workspace, id) => {
      if (!UUID.test(id)) return false;
      const row = await db
        .updateTable('book_import')
        .set({ cancel_asked: true })
        .where('workspace_id', '=', workspace)
        .where('id', '=', id)
        .where('state', '=', 'running')
        .returning('id')
        .executeTakeFirst();
      return row !== undefined;
    },
  };
}
