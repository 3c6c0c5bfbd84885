/**
 * Watches over bills: thresholds, what was said of each period, messages on their way, and what was known then. Sums of
 * bills by service, from which a year is shown. Notes on what differs.
 */
import { type Kysely, sql } from 'kysely';

export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table watch (
      id uuid primary key,
      workspace_id uuid not null references workspace (id),
      revision int not null,
      body jsonb not null,
      changed_at timestamptz not null,
      removed_at timestamptz
    );
    create index watch_of_workspace on watch (workspace_id) where removed_at is null;
    create table watch_said (
      watch_id uuid not null references watch (id),
      period_from date not null,
      period_to date not null,
      kind text not null check (kind in ('reached', 'coming')),
      step text not null,
      primary key (watch_id, period_from, period_to, kind, step)
    );
    create table watch_alert (
      id uuid primary key,
      workspace_id uuid not null references workspace (id),
      watch_id uuid not null references watch (id),
      known jsonb not null,
      said_at timestamptz not null,
      seen_at timestamptz
    );
    create index watch_alert_of_workspace on watch_alert (workspace_id, said_at desc);
    create index watch_alert_unseen on watch_alert (workspace_id) where seen_at is null;
    create table watch_message (
      id uuid primary key,
      alert_id uuid not null references watch_alert (id) on delete cascade,
      channel text not null check (channel in ('mail', 'call')),
      address text not null,
      subject text not null,
      body text not null,
      state text not null check (state in ('waiting', 'sent', 'given-up')),
      tries int not null,
      next_at timestamptz not null,
      answer text,
      sent_at timestamptz
    );
    create index watch_message_of_alert on watch_message (alert_id);
    create index watch_message_due on watch_message (next_at) where state = 'waiting';
    create table watch_day (day date primary key);
    create table call_secret (
      workspace_id uuid primary key references workspace (id),
      secret text not null
    );
    create table bill_service (
      bill_id uuid not null references bill (id) on delete cascade,
      service text not null,
      billed numeric not null,
      effective numeric not null,
      primary key (bill_id, service)
    );
    insert into bill_service (bill_id, service, billed, effective)
      select bill_id, said->>'service', sum(billed), sum(effective) from bill_thing group by bill_id, said->>'service';
    alter table team_file drop constraint team_file_kind_check;
    alter table team_file add constraint team_file_kind_check
      check (kind in ('limits', 'map', 'bill-rules', 'price-list'));
    alter table bill add column notes jsonb not null default '{}';
  `.execute(db);
}
