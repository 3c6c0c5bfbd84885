/**
 * Books of a million rates: rates in one partition a revision, loaded whole, indexed once, and final from then on;
 * what search and look-up need beside each offer; imports with their progress; exchange-rate tables.
 */
import { type Kysely, sql } from 'kysely';

export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create extension if not exists pg_trgm;
    alter table book_region add column bands jsonb;
    alter table book_offer
      alter column sku type text collate "C",
      add column lifecycle text not null default 'current',
      add column words text not null default '',
      add column vcpu numeric,
      add column memory numeric,
      add column gpu numeric,
      add column capabilities text[] not null default '{}',
      add column regions text[] not null default '{}',
      add column price numeric;
    create table book_place (
      revision_id uuid not null,
      sku text collate "C" not null,
      region text collate "C" not null,
      kind text not null,
      vcpu numeric,
      memory numeric,
      price numeric,
      primary key (revision_id, region, sku)
    );
    alter table book_rate rename to book_rate_before;
    alter table book_rate_before rename constraint book_rate_pkey to book_rate_before_pkey;
    create table book_rate (
      revision_id uuid not null,
      sku text collate "C" not null,
      region text collate "C" not null,
      meter text collate "C" not null,
      term text collate "C" not null,
      unit text not null,
      charge jsonb not null,
      upfront numeric,
      allowance numeric,
      pool text not null,
      rest jsonb
    ) partition by list (revision_id);
  `.execute(db);
  await sql`
    do $$
    declare revision uuid; part text;
    begin
      for revision in select id from book_revision loop
        part := 'book_rate_' || replace(revision::text, '-', '');
        execute format('create table %I (like book_rate)', part);
        execute format(
          'insert into %I select revision_id, sku, region, meter, term, unit, charge, upfront, allowance, pool, null
           from book_rate_before where revision_id = %L', part, revision);
        execute format('alter table %I add primary key (sku, region, meter, term)', part);
        execute format('alter table book_rate attach partition %I for values in (%L)', part, revision);
        execute format('create trigger published_is_final before insert or update or delete on %I
          for each row execute function refuse_change_of_published()', part);
      end loop;
    end $$;
    drop table book_rate_before;
    alter table book_offer disable trigger user;
    insert into book_place (revision_id, sku, region, kind, vcpu, memory)
      select distinct rate.revision_id, rate.sku, rate.region, offer.kind,
        (offer.detail->>'vcpu')::numeric, (offer.detail->>'memory')::numeric
      from book_rate rate join book_offer offer using (revision_id, sku);
    update book_offer set
      words = lower(name || ' ' || sku || ' ' || family || ' ' || kind),
      vcpu = (detail->>'vcpu')::numeric,
      memory = (detail->>'memory')::numeric,
      lifecycle = detail->>'lifecycle',
      regions = coalesce((select array_agg(region order by region) from book_place
        where book_place.revision_id = book_offer.revision_id and book_place.sku = book_offer.sku), '{}');
    alter table book_offer enable trigger user;
    create trigger published_is_final before update or delete on book_place
      for each row execute function refuse_change_of_published();
    create trigger published_is_final_on_insert after insert on book_place
      referencing new table as changed for each statement execute function refuse_change_of_published_rates();
    create index book_offer_by_words on book_offer using gin (words gin_trgm_ops);
    create index book_offer_by_kind on book_offer (revision_id, kind, price, sku);
    create index book_offer_by_price on book_offer (revision_id, price, sku);
    create index book_place_by_sku on book_place (revision_id, sku);
    create index book_place_by_price on book_place (revision_id, region, price, sku);
    create index book_place_by_kind on book_place (revision_id, region, kind, price, sku);
  `.execute(db);
  await sql`
    create table book_import (
      id uuid primary key,
      workspace_id uuid not null references workspace,
      file_name text not null,
      state text not null check (state in ('running', 'done', 'refused', 'cancelled')),
      bytes bigint not null default 0,
      bytes_total bigint,
      rates integer not null default 0,
      cancel_asked boolean not null default false,
      outcome jsonb,
      started_at timestamptz not null,
      seen_at timestamptz not null
    );
    create index book_import_by_workspace on book_import (workspace_id, started_at desc);
    create table exchange_table (
      workspace_id uuid not null references workspace,
      date date not null,
      base char(3) not null,
      quote char(3) not null,
      rate numeric not null check (rate > 0),
      primary key (workspace_id, date, base, quote)
    );
  `.execute(db);
}
