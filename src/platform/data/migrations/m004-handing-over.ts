/**
 * Links through which strangers read one report; what undoes each revision, so that a design can go back to any; and
 * what a team keeps for the next design: starred components, own starters, agreements.
 */
import { type Kysely, sql } from 'kysely';

export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table design_link (
      id uuid primary key,
      workspace_id uuid not null references workspace (id),
      design_id uuid not null references design (id),
      token text not null unique,
      options jsonb not null,
      pinned jsonb,
      pinned_revision int,
      created_by text not null,
      created_at timestamptz not null,
      expires_at timestamptz,
      withdrawn_at timestamptz,
      check ((pinned is null) = (pinned_revision is null))
    );
    create index design_link_of_design on design_link (workspace_id, design_id, created_at);
    alter table design_edit add column inverse jsonb;
    create table workspace_kept (
      id uuid primary key,
      workspace_id uuid not null references workspace (id),
      what text not null check (what in ('component', 'starter', 'agreement')),
      name text not null,
      body jsonb not null,
      kept_at timestamptz not null
    );
    create index workspace_kept_by_what on workspace_kept (workspace_id, what, name);
  `.execute(db);
}
