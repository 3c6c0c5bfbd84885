/** Every process hears of every save when it is committed, whoever made it. */
import { type Kysely, sql } from 'kysely';

export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create function tell_of_edit() returns trigger language plpgsql as $$
    begin
      perform pg_notify('design_change', json_build_object('what', 'saved', 'design', new.design_id, 'revision', new.revision)::text);
      return null;
    end $$;
    create trigger design_edit_is_told after insert on design_edit for each row execute function tell_of_edit();
  `.execute(db);
}
