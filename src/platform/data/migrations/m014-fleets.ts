/** Estates: what is planned with one as a document, its machines one a row, and how headings of inventories were mapped. */
import { type Kysely, sql } from 'kysely';

export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table fleet (
      id uuid primary key,
      workspace_id uuid not null references workspace (id),
      revision int not null,
      plan jsonb not null,
      machines int not null,
      created_at timestamptz not null,
      updated_at timestamptz not null,
      deleted_at timestamptz
    );
    create index fleet_listed on fleet (workspace_id, updated_at desc) where deleted_at is null;
    create table fleet_machine (
      fleet_id uuid not null references fleet (id) on delete cascade,
      -- Its place in the inventory, from 0 on.
      at int not null,
      key text not null,
      detail jsonb not null,
      primary key (fleet_id, at)
    );
    create unique index fleet_machine_key on fleet_machine (fleet_id, key);
    create table fleet_mapping (
      workspace_id uuid not null references workspace (id),
      headings text not null,
      mapping jsonb not null,
      used_at timestamptz not null,
      primary key (workspace_id, headings)
    );
  `.execute(db);
}
