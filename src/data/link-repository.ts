/** Read-only links in PostgreSQL. */
import type { Kysely, Selectable } from 'kysely';
import type { DesignLink, LinkStore } from '@/operations';
import { UUID } from './design-repository';
import type { Database } from './schema';

export function linkRepository(db: Kysely<Database>): LinkStore {
  return {
    create: async (link) => {
      await db
        .insertInto('design_link')
        .values({
          id: link.id,
          workspace_id: link.workspace,
          design_id: link.design,
          token_hash: link.tokenHash,
          options: JSON.stringify(link.options),
          pinned: link.pinned && JSON.stringify(link.pinned.design),
          pinned_revision: link.pinned?.revision ?? null,
          created_by: link.createdBy,
          created_at: new Date(link.createdAt),
          expires_at: link.expiresAt === null ? null : new Date(link.expiresAt),
          withdrawn_at: null,
        })
        .execute();
    },
    list: async (workspace, design) => {
      if (!UUID.test(design)) return [];
      const rows = await db
        .selectFrom('design_link')
        .selectAll()
        .where('workspace_id', '=', workspace)
        .where('design_id', '=', design)
        .orderBy('created_at', 'desc')
        .execute();
      return rows.map(linkOf);
    },
    withdraw: async (workspace, id, at) => {
      if (!UUID.test(id)) return false;
      const result = await db
        .updateTable('design_link')
        .set({ withdrawn_at: at })
        .where('workspace_id', '=', workspace)
        .where('id', '=', id)
        .where('withdrawn_at', 'is', null)
        .executeTakeFirst();
      return result.numUpdatedRows > 0n;
    },
    byTokenHash: async (tokenHash) => {
      const row = await db
        .selectFrom('design_link')
        .selectAll()
        .where('token_hash', '=', tokenHash)
        .executeTakeFirst();
      return row ? linkOf(row) : null;
    },
  };
}

function linkOf(row: Selectable<Database['design_link']>): DesignLink {
  return {
    id: row.id,
    workspace: row.workspace_id,
    design: row.design_id,
    tokenHash: row.token_hash,
    options: row.options,
    pinned: row.pinned && { design: row.pinned, revision: row.pinned_revision! },
    createdBy: row.created_by,
    createdAt: row.created_at.toISOString(),
    expiresAt: row.expires_at?.toISOString() ?? null,
    withdrawnAt: row.withdrawn_at?.toISOString() ?? null,
  };
}
