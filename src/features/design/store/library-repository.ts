/** What a workspace keeps, in PostgreSQL. */
import type { Kysely } from 'kysely';
import type { LibraryStore } from '@/features/design/use/library-ports';
import { UUID } from './design-repository';
import type { Database } from '@/stores/schema';

export function libraryRepository(db: Kysely<Database>): LibraryStore {
  return {
    list: async (workspace, what) => {
      const rows = await db
        .selectFrom('workspace_kept')
        .selectAll()
        .where('workspace_id', '=', workspace)
        .where('what', '=', what)
        .orderBy('name')
        .execute();
      return rows.map(({ id, name, body, kept_at }) => ({
        id,
        what,
        name,
        body,
        keptAt: kept_at.toISOString(),
      }));
    },
    put: async (workspace, { id, what, name, body, keptAt }) => {
      await db
        .insertInto('workspace_kept')
        .values({
          id,
          workspace_id: workspace,
          what,
          name,
          body: JSON.stringify(body),
          kept_at: new Date(keptAt),
        })
        .execute();
    },
    remove: async (workspace, id) => {
      if (!UUID.test(id)) return false;
      const result = await db
        .deleteFrom('workspace_kept')
        .where('workspace_id', '=', workspace)
        .where('id', '=', id)
        .executeTakeFirst();
      return result.numDeletedRows > 0n;
    },
  };
}
