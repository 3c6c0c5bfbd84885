/**
 * Bills: rows in a partition of their own for each bill, the things that they are about, and sums by day, from which every
 * view is made. A bill's rows come and go as a whole.
 */
import { type Kysely, sql } from 'kysely';

export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table bill (
      id uuid primary key,
      workspace_id uuid not null references workspace (id),
      provider text not null,
      account text not null,
      period_from date not null,
      period_to date not null check (period_to > period_from),
      currency text not null,
      revision int not null,
      row_count int not null,
      thing_count int not null,
      newest date,
      billed numeric not null,
      effective numeric not null,
      file_name text not null,
      conformance jsonb not null,
      changed jsonb,
      closing jsonb,
      imported_at timestamptz not null,
      unique (workspace_id, provider, account, period_from, period_to, currency)
    );
    create table bill_row (
      bill_id uuid not null,
      thing int not null,
      line int not null,
      day date not null,
      list numeric not null,
      contracted numeric not null,
      billed numeric not null,
      effective numeric not null,
      quantity numeric
    ) partition by list (bill_id);
    create table bill_thing (
      bill_id uuid not null references bill (id) on delete cascade,
      at int not null,
      said jsonb not null,
      row_count int not null,
      list numeric not null,
      contracted numeric not null,
      billed numeric not null,
      effective numeric not null,
      quantity numeric,
      primary key (bill_id, at)
    );
    create table bill_day (
      bill_id uuid not null references bill (id) on delete cascade,
      thing int not null,
      day date not null,
      billed numeric not null,
      effective numeric not null,
      quantity numeric,
      primary key (bill_id, thing, day)
    );
    create table bill_seen (
      bill_id uuid not null references bill (id) on delete cascade,
      revision int not null,
      day date not null,
      effective numeric not null,
      primary key (bill_id, revision, day)
    );
    create table bill_design (
      workspace_id uuid not null references workspace (id),
      provider text not null,
      account text not null,
      design_id uuid not null references design (id),
      primary key (workspace_id, provider, account)
    );
    alter table team_file drop constraint team_file_kind_check;
    alter table team_file add constraint team_file_kind_check check (kind in ('limits', 'map', 'bill-rules'));
  `.execute(db);
}
