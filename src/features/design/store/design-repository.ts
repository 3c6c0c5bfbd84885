/** Designs in PostgreSQL: the document as it is now, and the log of edits that led there. */
import { type Kysely, sql } from 'kysely';
import { CALCULATION } from '@/engine/pricing';
import type {
  DesignListing,
  DesignStore,
  HistoryRow,
  LineAmounts,
  LockedDesign,
  LoggedBatch,
  StoredDesign,
} from '@/stores/ports';
import type { Database } from '@/stores/schema';

/** An id that is not a UUID cannot exist; asking the database about it would be an error. */
export const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i;

export function designRepository(db: Kysely<Database>): DesignStore {
  return {
    list: (workspace) => list(db, workspace),
    find: async (workspace, id) => {
      if (!UUID.test(id)) return null;
      const row = await live(db, workspace, id).executeTakeFirst();
      return row ? stored(row) : null;
    },
    create: async (workspace, id, design, at) => {
      const document = JSON.stringify(design);
      await db
        .insertInto('design')
        .values({
          id,
          workspace_id: workspace,
          revision: 0,
          document,
          created_at: at,
          updated_at: at,
          deleted_at: null,
        })
        .execute();
    },
    change: async (workspace, id, work) => {
      if (!UUID.test(id)) return null;
      return db.transaction().execute(async (trx) => {
        const row = await live(trx, workspace, id).forUpdate().executeTakeFirst();
        if (!row) return null;
        const { write, result } = await work(locked(trx, stored(row)));
        if (write) {
          const revision = row.revision + 1;
          const document = JSON.stringify(write.design);
          // Document and log in one way to the server and back: every save takes it.
          await trx
            .with('moved', (query) =>
              query
                .updateTable('design')
                .set({ revision, document, updated_at: write.at })
                .where('id', '=', id),
            )
            .insertInto('design_edit')
            .values({
              design_id: id,
              revision,
              batch: write.batch,
              edits: JSON.stringify(write.edits),
              inverse: JSON.stringify(write.inverse),
              user_name: write.user,
              at: write.at,
            })
            .execute();
        }
        return result;
      });
    },
    read: async (workspace, id, work) => {
      if (!UUID.test(id)) return null;
      const seen = db.transaction().setIsolationLevel('repeatable read').setAccessMode('read only');
      return seen.execute(async (trx) => {
        const row = await live(trx, workspace, id).executeTakeFirst();
        return row ? work(locked(trx, stored(row))) : null;
      });
    },
    saveTotals: async (workspace, id, revision, totals) => {
      await db
        .updateTable('design')
        .set({
          totals_revision: revision,
          monthly: totals.monthly,
          monthly_low: totals.low,
          monthly_high: totals.high,
          unpriced: totals.unpriced,
          totals_calculation: CALCULATION,
          monthly_before: sql`case
            when totals_revision is distinct from ${revision} then null
            when totals_calculation < ${CALCULATION} and monthly <> ${totals.monthly}::numeric then monthly
            else monthly_before end`,
          line_amounts: JSON.stringify(totals.lines),
          line_amounts_before: sql`case
            when totals_revision is distinct from ${revision} then null
            when totals_calculation < ${CALCULATION} and monthly <> ${totals.monthly}::numeric then line_amounts
            else line_amounts_before end`,
        })
        .where('workspace_id', '=', workspace)
        .where('id', '=', id)
        .where('revision', '=', revision)
        .execute();
    },
    remove: async (workspace, id, at) => mark(db, workspace, id, at),
    restore: async (workspace, id) => mark(db, workspace, id, null),
  };
}

function live(db: Kysely<Database>, workspace: string, id: string) {
  return db
    .selectFrom('design')
    .select(['id', 'revision', 'document', 'updated_at'])
    .select(['totals_revision', 'totals_calculation', 'monthly', 'monthly_before', 'line_amounts_before'])
    .where('workspace_id', '=', workspace)
    .where('id', '=', id)
    .where('deleted_at', 'is', null);
}

function stored(row: {
  id: string;
  revision: number;
  document: StoredDesign['design'];
  updated_at: Date;
  totals_revision: number | null;
  totals_calculation: number;
  monthly: string | null;
  monthly_before: string | null;
  line_amounts_before: LineAmounts | null;
}): StoredDesign {
  const isKept = row.totals_revision === row.revision && row.monthly !== null;
  return {
    id: row.id,
    revision: row.revision,
    design: row.document,
    updatedAt: row.updated_at.toISOString(),
    isOfOldCalculation: isKept && row.totals_calculation < CALCULATION,
    before:
      isKept && row.monthly_before !== null
        ? { monthly: row.monthly_before, lines: row.line_amounts_before }
        : null,
  };
}

function locked(db: Kysely<Database>, current: StoredDesign): LockedDesign {
  const log = () => db.selectFrom('design_edit').selectAll().where('design_id', '=', current.id);
  return {
    current,
    batch: async (batch) => {
      const row = await log().where('batch', '=', batch).executeTakeFirst();
      return row ? logged(row) : null;
    },
    since: async (revision) =>
      (await log().where('revision', '>', revision).orderBy('revision').execute()).map(logged),
    weightSince: async (revision) => {
      const { batches, bytes } = await db
        .selectFrom('design_edit')
        .select(sql<number>`count(*)::int`.as('batches'))
        .select(sql<number>`coalesce(sum(octet_length(edits::text)), 0)::float8`.as('bytes'))
        .where('design_id', '=', current.id)
        .where('revision', '>', revision)
        .executeTakeFirstOrThrow();
      return { batches, bytes };
    },
    namesSince: async (revision, limit) =>
      (
        await db
          .selectFrom('design_edit')
          .select('batch')
          .where('design_id', '=', current.id)
          .where('revision', '>', revision)
          .orderBy('revision', 'desc')
          .limit(limit)
          .execute()
      ).map((row) => row.batch),
    latest: async (before, limit, bytes) => {
      const rows = db
        .selectFrom('design_edit')
        .select(['revision', 'user_name', 'at'])
        .select(
          sql<HistoryRow['edits']>`case when octet_length(edits::text) <= ${bytes} then edits end`.as(
            'edits',
          ),
        )
        .where('design_id', '=', current.id)
        .orderBy('revision', 'desc')
        .limit(limit);
      return (await (before === null ? rows : rows.where('revision', '<', before)).execute()).map((row) => ({
        revision: row.revision,
        user: row.user_name,
        at: row.at.toISOString(),
        edits: row.edits,
      }));
    },
  };
}

function logged(row: {
  batch: string;
  revision: number;
  edits: LoggedBatch['edits'];
  inverse: LoggedBatch['inverse'];
  user_name: string;
  at: Date;
}): LoggedBatch {
  return {
    batch: row.batch,
    revision: row.revision,
    edits: row.edits,
    inverse: row.inverse,
    user: row.user_name,
    at: row.at.toISOString(),
  };
}

async function mark(
  db: Kysely<Database>,
  workspace: string,
  id: string,
  deletedAt: Date | null,
): Promise<boolean> {
  if (!UUID.test(id)) return false;
  const result = await db
    .updateTable('design')
    .set({ deleted_at: deletedAt })
    .where('workspace_id', '=', workspace)
    .where('id', '=', id)
    .where('deleted_at', deletedAt ? 'is' : 'is not', null)
    .executeTakeFirst();
  return result.numUpdatedRows > 0n;
}

async function list(db: Kysely<Database>, workspace: string): Promise<DesignListing[]> {
  const rows = await db
    .selectFrom('design')
    .select([
      'id',
      'revision',
      'updated_at',
      'totals_revision',
      'monthly',
      'monthly_low',
      'monthly_high',
      'unpriced',
      'totals_calculation',
    ])
    .select([
      sql<string>`document->>'title'`.as('title'),
      sql<string>`document->>'description'`.as('description'),
      sql<string>`document->>'currency'`.as('currency'),
      sql<number>`(select coalesce(sum(jsonb_array_length(section->'components')), 0)::int
        from jsonb_array_elements(document->'sections') as section)`.as('components'),
    ])
    .where('workspace_id', '=', workspace)
    .where('deleted_at', 'is', null)
    .orderBy('updated_at', 'desc')
    .limit(2000)
    .execute();
  return rows.map((row) => ({
    id: row.id,
    title: row.title,
    description: row.description,
    currency: row.currency,
    revision: row.revision,
    components: row.components,
    updatedAt: row.updated_at.toISOString(),
    totals:
      row.totals_revision === row.revision && row.totals_calculation === CALCULATION && row.monthly !== null
        ? {
            monthly: row.monthly,
            low: row.monthly_low!,
            high: row.monthly_high!,
            unpriced: row.unpriced ?? 0,
          }
        : null,
  }));
}
