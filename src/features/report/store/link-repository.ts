/** Read-only links in PostgreSQL: of designs, and of studies. */
import type { Kysely, Selectable } from 'kysely';
import type { DesignLink, LinkStore, LinkTerms, StudyLink } from '@/features/report/use/link-ports';
import { UUID } from '@/features/design/store/design-repository';
import type { Database } from '@/stores/schema';

export function linkRepository(db: Kysely<Database>): LinkStore<DesignLink> {
  return {
    create: async (link) => {
      await db
        .insertInto('design_link')
        .values({
          ...rowOf(link),
          design_id: link.design,
          options: JSON.stringify(link.options),
          pinned: link.pinned && JSON.stringify(link.pinned.design),
          pinned_revision: link.pinned?.revision ?? null,
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
      return rows.map(designLinkOf);
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
      return row ? designLinkOf(row) : null;
    },
  };
}

export function studyLinkRepository(db: Kysely<Database>): LinkStore<StudyLink> {
  return {
    create: async (link) => {
      await db
        .insertInto('study_link')
        .values({
          ...rowOf(link),
          study_id: link.study,
          pinned: link.pinned && JSON.stringify(link.pinned.study),
          pinned_revision: link.pinned?.revision ?? null,
        })
        .execute();
    },
    list: async (workspace, study) => {
      if (!UUID.test(study)) return [];
      const rows = await db
        .selectFrom('study_link')
        .selectAll()
        .where('workspace_id', '=', workspace)
        .where('study_id', '=', study)
        .orderBy('created_at', 'desc')
        .execute();
      return rows.map(studyLinkOf);
    },
    withdraw: async (workspace, id, at) => {
      if (!UUID.test(id)) return false;
      const result = await db
        .updateTable('study_link')
        .set({ withdrawn_at: at })
        .where('workspace_id', '=', workspace)
        .where('id', '=', id)
        .where('withdrawn_at', 'is', null)
        .executeTakeFirst();
      return result.numUpdatedRows > 0n;
    },
    byTokenHash: async (tokenHash) => {
      const row = await db
        .selectFrom('study_link')
        .selectAll()
        .where('token_hash', '=', tokenHash)
        .executeTakeFirst();
      return row ? studyLinkOf(row) : null;
    },
  };
}

const rowOf = (link: LinkTerms) => ({
  id: link.id,
  workspace_id: link.workspace,
  token_hash: link.tokenHash,
  created_by: link.createdBy,
  created_at: new Date(link.createdAt),
  expires_at: link.expiresAt === null ? null : new Date(link.expiresAt),
  withdrawn_at: null,
});

type TermsRow = Pick<
  Selectable<Database['study_link']>,
  'id' | 'workspace_id' | 'token_hash' | 'created_by' | 'created_at' | 'expires_at' | 'withdrawn_at'
>;

const termsOf = (row: TermsRow): LinkTerms => ({
  id: row.id,
  workspace: row.workspace_id,
  tokenHash: row.token_hash,
  createdBy: row.created_by,
  createdAt: row.created_at.toISOString(),
  expiresAt: row.expires_at?.toISOString() ?? null,
  withdrawnAt: row.withdrawn_at?.toISOString() ?? null,
});

const designLinkOf = (row: Selectable<Database['design_link']>): DesignLink => ({
  ...termsOf(row),
  design: row.design_id,
  options: row.options,
  pinned: row.pinned && { design: row.pinned, revision: row.pinned_revision! },
});

const studyLinkOf = (row: Selectable<Database['study_link']>): StudyLink => ({
  ...termsOf(row),
  study: row.study_id,
  pinned: row.pinned && { study: row.pinned, revision: row.pinned_revision! },
});
