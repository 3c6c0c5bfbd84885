/** What each day of a bill came to as a whole, from which is learnt how projections of periods before would have done. */
import { type Kysely, sql } from 'kysely';

export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table bill_whole_day (
      bill_id uuid not null references bill (id) on delete cascade,
      day date not null,
      is_fee boolean not null,
      billed numeric not null,
      effective numeric not null,
      primary key (bill_id, day, is_fee)
    );
    insert into bill_whole_day (bill_id, day, is_fee, billed, effective)
      select bill_day.bill_id, day,
        (said->>'category' <> 'Usage' or (said->>'isCorrection')::boolean) as is_fee,
        sum(bill_day.billed), sum(bill_day.effective)
      from bill_day join bill_thing on bill_thing.bill_id = bill_day.bill_id and at = thing
      group by bill_day.bill_id, day, is_fee;
    create index watch_alert_of_bill on watch_alert (workspace_id, (known->>'bill'));
  `.execute(db);
}
