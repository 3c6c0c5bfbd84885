/** Work that outlives a request: who asked for it, how far it is, and what came of it. The queue has tables of its own. */
import { type Kysely, sql } from 'kysely';

export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table job (
      id uuid primary key,
      workspace_id uuid not null references workspace (id),
      lane text not null,
      key text not null,
      work jsonb not null,
      asked_by text not null,
      state text not null check (state in ('waiting', 'running', 'done', 'refused', 'cancelled')),
      done int not null default 0,
      steps int not null default 0,
      words text not null default '',
      tries int not null default 0,
      cancel_asked boolean not null default false,
      asked_at timestamptz not null default now(),
      seen_at timestamptz not null default now(),
      code text,
      message text,
      file_name text,
      file_type text,
      file bytea
    );
    -- The same is worked on once, whoever asks for it, and in whichever process.
    create unique index job_once on job (workspace_id, key) where state in ('waiting', 'running', 'done');
    create index job_open on job (state, seen_at) where state in ('waiting', 'running');
    create index job_asked on job (asked_at);
  `.execute(db);
}
