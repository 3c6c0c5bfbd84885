/** Change reviews in PostgreSQL: one for each repository, change and commit. */
import { type Kysely, type Selectable, sql } from 'kysely';
import type { ReviewListing, ReviewStore, StoredReview } from '@/features/review/use/review-ports';
import { UUID } from '@/features/design/store/design-repository';
import type { Database } from '@/stores/schema';

type Row = Selectable<Database['review']>;

const LISTED = [
  'id',
  'repository',
  'change',
  'commit',
  'branch',
  'title',
  'author',
  'phase',
  'revision',
  'summary',
  'summary_revision',
  'created_at',
  'merged_at',
] as const;

type Listed = Pick<Row, (typeof LISTED)[number]>;

export function reviewRepository(db: Kysely<Database>): ReviewStore {
  return {
    list: async (workspace) => {
      const newest = db
        .selectFrom('review')
        .select(LISTED)
        .select(sql<number>`(count(*) over (partition by repository, change))::int`.as('commits'))
        .distinctOn(['repository', 'change'])
        .where('workspace_id', '=', workspace)
        .where('deleted_at', 'is', null)
        .orderBy('repository')
        .orderBy('change')
        .orderBy('created_at', 'desc')
        .orderBy('id');
      const rows = await db
        .selectFrom(newest.as('newest'))
        .selectAll()
        .orderBy('created_at', 'desc')
        .execute();
      return rows.map((row) => listingOf(row as Listed, row.commits));
    },
    find: async (workspace, id) => {
      if (!UUID.test(id)) return null;
      const row = await live(db, workspace).where('id', '=', id).executeTakeFirst();
      return row ? storedOf(row) : null;
    },
    put: (workspace, id, review, at) =>
      db.transaction().execute(async (trx) => {
        const { repository, change, commit, branch, title, author, phase, extract, load, limits, pins } =
          review;
        const content = {
          ...{ extract: JSON.stringify(extract), load, sent_load: load, limits },
          pins: JSON.stringify(pins),
        };
        const merged = phase === 'merged' ? at : null;
        const made = await trx
          .insertInto('review')
          .values({
            ...{ id, workspace_id: workspace, repository, change, commit, branch, title, author, phase },
            ...content,
            ...{ revision: 0, summary: null, summary_revision: null },
            ...{ created_at: at, merged_at: merged, deleted_at: null },
          })
          .onConflict((conflict) =>
            conflict.columns(['workspace_id', 'repository', 'change', 'commit']).doNothing(),
          )
          .returning('id')
          .executeTakeFirst();
        if (made) return { id, isNew: true };
        const ours = trx
          .selectFrom('review')
          .where('workspace_id', '=', workspace)
          .where('repository', '=', repository)
          .where('change', '=', change)
          .where('commit', '=', commit);
        const known = await ours
          .select('id')
          .select(
            sql<boolean>`extract = ${content.extract}::jsonb and sent_load is not distinct from ${load}
              and limits is not distinct from ${limits}`.as('same'),
          )
          .forUpdate()
          .executeTakeFirstOrThrow();
        await trx
          .updateTable('review')
          .set((row) => ({
            ...{ branch, title, author, phase, deleted_at: null },
            merged_at: merged ? sql<Date>`coalesce(merged_at, ${merged})` : null,
            // What is the same says the same: it keeps its prices, and use that people said since.
            ...(known.same ? {} : { ...content, revision: row('revision', '+', 1) }),
          }))
          .where('id', '=', known.id)
          .execute();
        return { id: known.id, isNew: false };
      }),
    saveSummary: async (workspace, id, revision, summary) => {
      await db
        .updateTable('review')
        .set({ summary: JSON.stringify(summary), summary_revision: revision })
        .where('workspace_id', '=', workspace)
        .where('id', '=', id)
        .where('revision', '=', revision)
        .execute();
    },
    saveLoad: async (workspace, id, baseRevision, load) => {
      if (!UUID.test(id)) return null;
      const saved = await db
        .updateTable('review')
        .set({ load, revision: baseRevision + 1 })
        .where('workspace_id', '=', workspace)
        .where('id', '=', id)
        .where('revision', '=', baseRevision)
        .where('deleted_at', 'is', null)
        .returning('revision')
        .executeTakeFirst();
      if (saved) return saved.revision;
      const there = await live(db, workspace).where('id', '=', id).executeTakeFirst();
      return there ? 'stale' : null;
    },
    commits: async (workspace, repository, change) => {
      const rows = await listed(db, workspace, repository)
        .where('change', '=', change)
        .orderBy('created_at', 'desc')
        .orderBy('id')
        .execute();
      return rows.map((row) => listingOf(row, rows.length));
    },
    merged: async (workspace, repository) => {
      const rows = await listed(db, workspace, repository)
        .where('phase', '=', 'merged')
        .orderBy('merged_at')
        .orderBy('id')
        .execute();
      return rows.map((row) => listingOf(row, 1));
    },
    outdate: async (workspace) => {
      await db
        .updateTable('review')
        .set({ summary: null, summary_revision: null })
        .where('workspace_id', '=', workspace)
        .where('phase', '=', 'open')
        .execute();
    },
    remove: (workspace, id, at) => marked(db, workspace, id, at),
    restore: (workspace, id) => marked(db, workspace, id, null),
  };
}

const live = (db: Kysely<Database>, workspace: string) =>
  db.selectFrom('review').selectAll().where('workspace_id', '=', workspace).where('deleted_at', 'is', null);

const listed = (db: Kysely<Database>, workspace: string, repository: string) =>
  db
    .selectFrom('review')
    .select(LISTED)
    .where('workspace_id', '=', workspace)
    .where('repository', '=', repository)
    .where('deleted_at', 'is', null);

function listingOf(row: Listed, commits: number): ReviewListing {
  const { revision, summary, summary_revision, created_at, merged_at, ...rest } = row;
  return {
    ...rest,
    commits,
    summary: summary_revision === revision ? summary : null,
    createdAt: created_at.toISOString(),
    mergedAt: merged_at?.toISOString() ?? null,
  };
}

function storedOf(row: Row): StoredReview {
  const { workspace_id: _, summary_revision, created_at, merged_at, deleted_at: __, ...rest } = row;
  return {
    ...rest,
    summary: summary_revision === row.revision ? row.summary : null,
    createdAt: created_at.toISOString(),
    mergedAt: merged_at?.toISOString() ?? null,
  };
}

async function marked(
  db: Kysely<Database>,
  workspace: string,
  id: string,
  deleted_at: Date | null,
): Promise<boolean> {
  if (!UUID.test(id)) return false;
  const row = await db
    .updateTable('review')
    .set({ deleted_at })
    .where('workspace_id', '=', workspace)
    .where('id', '=', id)
    .where('deleted_at', deleted_at ? 'is' : 'is not', null)
    .returning('id')
    .executeTakeFirst();
  return row !== undefined;
}
