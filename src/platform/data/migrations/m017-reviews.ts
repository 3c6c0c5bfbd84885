/**
 * Change reviews: the extract of each change with what it is priced with, tokens of pipelines, the team's own files, which
 * design a repository moves, and what the stand-in of a code forge remembers.
 */
import { type Kysely, sql } from 'kysely';

export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table review (
      id uuid primary key,
      workspace_id uuid not null references workspace (id),
      repository text not null,
      change text not null,
      commit text not null,
      branch text not null,
      title text not null,
      author text not null,
      phase text not null check (phase in ('open', 'merged', 'closed')),
      revision int not null,
      extract jsonb not null,
      load text,
      sent_load text,
      limits text,
      pins jsonb not null,
      summary jsonb,
      summary_revision int,
      created_at timestamptz not null,
      merged_at timestamptz,
      deleted_at timestamptz,
      unique (workspace_id, repository, change, commit)
    );
    create index review_newest on review (workspace_id, repository, change, created_at desc) where deleted_at is null;
    create index review_merged on review (workspace_id, repository, merged_at) where phase = 'merged' and deleted_at is null;
    create table pipeline_token (
      id uuid primary key,
      workspace_id uuid not null references workspace (id),
      name text not null,
      token_hash text not null unique check (token_hash ~ '^[0-9a-f]{64}$'),
      created_by text not null,
      created_at timestamptz not null,
      last_used_at timestamptz,
      withdrawn_at timestamptz
    );
    create index pipeline_token_of on pipeline_token (workspace_id, created_at);
    create table team_file (
      workspace_id uuid not null references workspace (id),
      kind text not null check (kind in ('limits', 'map')),
      name text not null,
      revision int not null,
      text text not null,
      at timestamptz not null,
      primary key (workspace_id, kind, name, revision)
    );
    create table repository_link (
      workspace_id uuid not null references workspace (id),
      repository text not null,
      design_id uuid not null references design (id),
      matches jsonb not null,
      primary key (workspace_id, repository)
    );
    create table stand_in (
      workspace_id uuid not null references workspace (id),
      key text not null,
      state jsonb not null,
      primary key (workspace_id, key)
    );
  `.execute(db);
}
