/** Studies of owning against renting, and what each was before. */
import { type Kysely, sql } from 'kysely';

export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table study (
      id uuid primary key,
      workspace_id uuid not null references workspace (id),
      revision int not null,
      study jsonb not null,
      created_at timestamptz not null,
      updated_at timestamptz not null,
      deleted_at timestamptz
    );
    create index study_listed on study (workspace_id, updated_at desc) where deleted_at is null;
    create table study_revision (
      study_id uuid not null references study (id) on delete cascade,
      revision int not null,
      study jsonb not null,
      at timestamptz not null,
      primary key (study_id, revision)
    );
  `.execute(db);
}
