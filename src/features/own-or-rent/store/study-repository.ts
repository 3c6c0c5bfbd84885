/** Studies of owning against renting in PostgreSQL: the newest in one table, every revision in another. */
import { type Kysely, sql } from 'kysely';
import { MOST_STUDY_REVISIONS, type StudyStore } from '@/features/own-or-rent/use/study-ports';
import { UUID } from '@/features/design/store/design-repository';
import type { Database } from '@/stores/schema';

export function studyRepository(db: Kysely<Database>): StudyStore {
  return {
    list: async (workspace) => {
      const rows = await db
        .selectFrom('study')
        .select(['id', 'updated_at'])
        .select([
          sql<string>`study->>'title'`.as('title'),
          sql<string>`study->>'origin'`.as('origin'),
          sql<string>`study->>'currency'`.as('currency'),
          sql<number>`(study->>'years')::int`.as('years'),
          sql<number>`jsonb_array_length(study->'parts')`.as('parts'),
          sql<number>`jsonb_array_length(study->'variants')`.as('variants'),
        ])
        .where('workspace_id', '=', workspace)
        .where('deleted_at', 'is', null)
        .orderBy('updated_at', 'desc')
        .execute();
      return rows.map(({ updated_at, ...row }) => ({ ...row, updatedAt: updated_at.toISOString() }));
    },
    find: async (workspace, id) => {
      const row = UUID.test(id) ? await live(db, workspace, id).executeTakeFirst() : undefined;
      if (!row) return null;
      const { revision, study, updated_at } = row;
      return { id, revision, study, updatedAt: updated_at.toISOString() };
    },
    create: (workspace, id, study, at) =>
      db.transaction().execute(async (trx) => {
        const text = JSON.stringify(study);
        const made = await trx
          .insertInto('study')
          .values({
            id,
            workspace_id: workspace,
            revision: 0,
            study: text,
            created_at: at,
            updated_at: at,
            deleted_at: null,
          })
          .onConflict((conflict) => conflict.column('id').doNothing())
          .returning('id')
          .executeTakeFirst();
        if (!made) return false;
        await trx
          .insertInto('study_revision')
          .values({ study_id: id, revision: 0, study: text, at })
          .execute();
        return true;
      }),
    save: async (workspace, id, baseRevision, study, at) => {
      if (!UUID.test(id)) return null;
      return db.transaction().execute(async (trx) => {
        const revision = baseRevision + 1;
        const text = JSON.stringify(study);
        const saved = await trx
          .updateTable('study')
          .set({ study: text, revision, updated_at: at })
          .where('workspace_id', '=', workspace)
          .where('id', '=', id)
          .where('deleted_at', 'is', null)
          .where('revision', '=', baseRevision)
          .returning('revision')
          .executeTakeFirst();
        if (!saved) return (await live(trx, workspace, id).executeTakeFirst()) ? 'stale' : null;
        await trx.insertInto('study_revision').values({ study_id: id, revision, study: text, at }).execute();
        await trx
          .deleteFrom('study_revision')
          .where('study_id', '=', id)
          .where('revision', '<=', revision - MOST_STUDY_REVISIONS)
          .execute();
        return revision;
      });
    },
    history: async (workspace, id) => {
      if (!UUID.test(id) || !(await live(db, workspace, id).executeTakeFirst())) return null;
      const rows = await db
        .selectFrom('study_revision')
        .select(['revision', 'at'])
        .where('study_id', '=', id)
        .orderBy('revision', 'desc')
        .execute();
      return rows.map(({ revision, at }) => ({ revision, at: at.toISOString() }));
    },
    at: async (workspace, id, revision) => {
      if (!UUID.test(id) || !(await live(db, workspace, id).executeTakeFirst())) return null;
      const row = await db
        .selectFrom('study_revision')
        .select('study')
        .where('study_id', '=', id)
        .where('revision', '=', revision)
        .executeTakeFirst();
      return row?.study ?? null;
    },
    remove: (workspace, id, at) => marked(db, workspace, id, at),
    restore: (workspace, id) => marked(db, workspace, id, null),
  };
}

const live = (db: Kysely<Database>, workspace: string, id: string) =>
  db
    .selectFrom('study')
    .select(['revision', 'study', 'updated_at'])
    .where('workspace_id', '=', workspace)
    .where('id', '=', id)
    .where('deleted_at', 'is', null);

async function marked(
  db: Kysely<Database>,
  workspace: string,
  id: string,
  deleted_at: Date | null,
): Promise<boolean> {
  if (!UUID.test(id)) return false;
  const row = await db
    .updateTable('study')
    .set({ deleted_at })
    .where('workspace_id', '=', workspace)
    .where('id', '=', id)
    .where('deleted_at', deleted_at ? 'is' : 'is not', null)
    .returning('id')
    .executeTakeFirst();
  return row !== undefined;
}
