/** What belongs to a team as a whole, in PostgreSQL: tokens of pipelines, its own files, which design a repository moves. */
import { type Kysely, type Selectable, sql } from 'kysely';
import type {
  PipelineToken,
  RepositoryLinkStore,
  TeamFile,
  TeamFileStore,
  TokenStore,
} from '@/features/review/use/review-ports';
import type { StandInStore } from '@/features/review/use/forge-ports';
import { UUID } from '@/features/design/store/design-repository';
import type { Database } from '@/stores/schema';

export function tokenRepository(db: Kysely<Database>): TokenStore {
  return {
    create: async ({ id, workspace, name, tokenHash, createdBy, createdAt }) => {
      await db
        .insertInto('pipeline_token')
        .values({
          ...{ id, workspace_id: workspace, name, token_hash: tokenHash, created_by: createdBy },
          ...{ created_at: new Date(createdAt), last_used_at: null, withdrawn_at: null },
        })
        .execute();
    },
    list: async (workspace) => {
      const rows = await db
        .selectFrom('pipeline_token')
        .selectAll()
        .where('workspace_id', '=', workspace)
        .orderBy('created_at', 'desc')
        .execute();
      return rows.map(tokenOf);
    },
    withdraw: async (workspace, id, at) => {
      if (!UUID.test(id)) return false;
      const row = await db
        .updateTable('pipeline_token')
        .set({ withdrawn_at: at })
        .where('workspace_id', '=', workspace)
        .where('id', '=', id)
        .where('withdrawn_at', 'is', null)
        .returning('id')
        .executeTakeFirst();
      return row !== undefined;
    },
    byHash: async (hash) => {
      const row = await db
        .selectFrom('pipeline_token')
        .selectAll()
        .where('token_hash', '=', hash)
        .executeTakeFirst();
      return row ? tokenOf(row) : null;
    },
    used: async (id, at) => {
      await db.updateTable('pipeline_token').set({ last_used_at: at }).where('id', '=', id).execute();
    },
    forget: async (workspace, id) => {
      await db
        .deleteFrom('pipeline_token')
        .where('workspace_id', '=', workspace)
        .where('id', '=', id)
        .execute();
    },
  };
}

const tokenOf = (row: Selectable<Database['pipeline_token']>): PipelineToken => ({
  id: row.id,
  workspace: row.workspace_id,
  name: row.name,
  tokenHash: row.token_hash,
  createdBy: row.created_by,
  createdAt: row.created_at.toISOString(),
  lastUsedAt: row.last_used_at?.toISOString() ?? null,
  withdrawnAt: row.withdrawn_at?.toISOString() ?? null,
});

export function teamFileRepository(db: Kysely<Database>): TeamFileStore {
  return {
    list: async (workspace, kind) => {
      const rows = await db
        .selectFrom('team_file')
        .select(['name', 'revision', 'text', 'at'])
        .distinctOn('name')
        .where('workspace_id', '=', workspace)
        .where('kind', '=', kind)
        .orderBy('name')
        .orderBy('revision', 'desc')
        .execute();
      return rows.map(fileOf);
    },
    history: async (workspace, kind, name) => {
      const rows = await db
        .selectFrom('team_file')
        .select(['name', 'revision', 'text', 'at'])
        .where('workspace_id', '=', workspace)
        .where('kind', '=', kind)
        .where('name', '=', name)
        .orderBy('revision', 'desc')
        .execute();
      return rows.map(fileOf);
    },
    save: async (workspace, kind, { name, baseRevision, text }, at) => {
      const revision = baseRevision + 1;
      // Based on the newest, or on nothing where there is none.
      const { rows } = await sql<{ revision: number }>`
        insert into team_file (workspace_id, kind, name, revision, text, at)
        select ${workspace}::uuid, ${kind}, ${name}, ${revision}::int, ${text}, ${at}::timestamptz
        where coalesce((select max(revision) from team_file where workspace_id = ${workspace}::uuid
          and kind = ${kind} and name = ${name}), 0) = ${baseRevision}::int
        on conflict do nothing
        returning revision
      `.execute(db);
      return rows[0]?.revision ?? 'stale';
    },
  };
}

const fileOf = ({ at, ...rest }: { name: string; revision: number; text: string; at: Date }): TeamFile => ({
  ...rest,
  at: at.toISOString(),
});

export function repositoryLinkRepository(db: Kysely<Database>): RepositoryLinkStore {
  return {
    find: async (workspace, repository) => {
      const row = await db
        .selectFrom('repository_link')
        .innerJoin('design', 'design.id', 'repository_link.design_id')
        .select(['design_id', 'matches'])
        .where('repository_link.workspace_id', '=', workspace)
        .where('design.workspace_id', '=', workspace)
        .where('design.deleted_at', 'is', null)
        .where('repository', '=', repository)
        .executeTakeFirst();
      return row ? { repository, design: row.design_id, matches: row.matches } : null;
    },
    put: async (workspace, repository, link) => {
      if (!link) {
        await db
          .deleteFrom('repository_link')
          .where('workspace_id', '=', workspace)
          .where('repository', '=', repository)
          .execute();
        return;
      }
      const values = { design_id: link.design, matches: JSON.stringify(link.matches) };
      await db
        .insertInto('repository_link')
        .values({ workspace_id: workspace, repository, ...values })
        .onConflict((conflict) => conflict.columns(['workspace_id', 'repository']).doUpdateSet(values))
        .execute();
    },
  };
}

export function standInRepository(db: Kysely<Database>): StandInStore {
  return {
    get: async (workspace, key) => {
      const row = await db
        .selectFrom('stand_in')
        .select('state')
        .where('workspace_id', '=', workspace)
        .where('key', '=', key)
        .executeTakeFirst();
      return row?.state ?? null;
    },
    put: async (workspace, key, state) => {
      const text = JSON.stringify(state);
      await db
        .insertInto('stand_in')
        .values({ workspace_id: workspace, key, state: text })
        .onConflict((conflict) => conflict.columns(['workspace_id', 'key']).doUpdateSet({ state: text }))
        .execute();
    },
  };
}
