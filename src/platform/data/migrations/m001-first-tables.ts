/** Workspaces, price books with immutable published revisions, designs with their log of edits. */
import { type Kysely, sql } from 'kysely';

export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table workspace (
      id uuid primary key,
      name text not null,
      demo_loaded_at timestamptz,
      created_at timestamptz not null default now()
    );
    create table price_book (
      id uuid primary key default gen_random_uuid(),
      workspace_id uuid not null references workspace,
      key text not null,
      title text not null,
      provider text not null,
      currency char(3) not null,
      month_hours numeric not null,
      unique (workspace_id, key)
    );
    create table book_revision (
      id uuid primary key default gen_random_uuid(),
      book_id uuid not null references price_book,
      number integer not null check (number > 0),
      title text not null,
      currency char(3) not null,
      month_hours numeric not null,
      effective date not null,
      source text not null,
      offer_count integer not null,
      rate_count integer not null,
      region_count integer not null,
      published_at timestamptz,
      unique (book_id, number)
    );
    create table book_region (
      revision_id uuid not null references book_revision,
      code text not null,
      name text not null,
      country text not null,
      latitude double precision not null,
      longitude double precision not null,
      carbon double precision,
      primary key (revision_id, code)
    );
    create table book_offer (
      revision_id uuid not null references book_revision,
      sku text not null,
      kind text not null,
      name text not null,
      family text not null,
      detail jsonb not null,
      primary key (revision_id, sku)
    );
    create table book_rate (
      revision_id uuid not null references book_revision,
      sku text not null,
      region text not null,
      meter text not null,
      term text not null,
      unit text not null,
      charge jsonb not null,
      upfront numeric check (upfront >= 0),
      allowance numeric check (allowance >= 0),
      pool text not null,
      primary key (revision_id, region, sku, meter, term),
      foreign key (revision_id, sku) references book_offer (revision_id, sku),
      foreign key (revision_id, region) references book_region (revision_id, code)
    );
    create table design (
      id uuid primary key,
      workspace_id uuid not null references workspace,
      revision integer not null default 0,
      document jsonb not null,
      created_at timestamptz not null,
      updated_at timestamptz not null,
      deleted_at timestamptz,
      totals_revision integer,
      monthly numeric,
      monthly_low numeric,
      monthly_high numeric,
      unpriced integer
    );
    create index design_by_workspace on design (workspace_id, updated_at desc) where deleted_at is null;
    create table design_edit (
      design_id uuid not null references design,
      revision integer not null,
      batch uuid not null,
      edits jsonb not null,
      user_name text not null,
      at timestamptz not null,
      primary key (design_id, revision),
      unique (design_id, batch)
    );
  `.execute(db);
  await sql`
    create function refuse_change_of_published() returns trigger language plpgsql as $$
    declare subject uuid;
    begin
      if tg_table_name = 'book_revision' then
        if old.published_at is not null then
          raise exception 'a published revision never changes' using errcode = 'restrict_violation';
        end if;
      else
        subject := case when tg_op = 'INSERT' then new.revision_id else old.revision_id end;
        if exists (select 1 from book_revision where id = subject and published_at is not null) then
          raise exception 'a published revision never changes' using errcode = 'restrict_violation';
        end if;
      end if;
      return case when tg_op = 'DELETE' then old else new end;
    end $$;
    create trigger published_is_final before update or delete on book_revision
      for each row execute function refuse_change_of_published();
    create trigger published_is_final before insert or update or delete on book_region
      for each row execute function refuse_change_of_published();
    create trigger published_is_final before insert or update or delete on book_offer
      for each row execute function refuse_change_of_published();
  `.execute(db);
  await sql`
    create function refuse_change_of_published_rates() returns trigger language plpgsql as $$
    begin
      if exists (
        select 1 from changed join book_revision on book_revision.id = changed.revision_id
        where published_at is not null
      ) then
        raise exception 'a published revision never changes' using errcode = 'restrict_violation';
      end if;
      return null;
    end $$;
    create trigger published_is_final_on_insert after insert on book_rate
      referencing new table as changed for each statement execute function refuse_change_of_published_rates();
    create trigger published_is_final_on_update after update on book_rate
      referencing old table as changed for each statement execute function refuse_change_of_published_rates();
    create trigger published_is_final_on_delete after delete on book_rate
      referencing old table as changed for each statement execute function refuse_change_of_published_rates();
  `.execute(db);
}

export async function down(db: Kysely<unknown>): Promise<void> {
  await sql`
    drop table design_edit, design, book_rate, book_offer, book_region, book_revision, price_book, workspace;
    drop function refuse_change_of_published, refuse_change_of_published_rates;
  `.execute(db);
}
