/** Links through which strangers read the report of one study. Of a key only the hash is kept. */
import { type Kysely, sql } from 'kysely';

export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table study_link (
      id uuid primary key,
      workspace_id uuid not null references workspace (id),
      study_id uuid not null references study (id),
      token_hash text not null unique check (token_hash ~ '^[0-9a-f]{64}$'),
      pinned jsonb,
      pinned_revision int,
      created_by text not null,
      created_at timestamptz not null,
      expires_at timestamptz,
      withdrawn_at timestamptz,
      check ((pinned is null) = (pinned_revision is null))
    );
    create index study_link_of_study on study_link (workspace_id, study_id, created_at);
  `.execute(db);
}
