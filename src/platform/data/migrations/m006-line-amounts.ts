/** What each line came to beside the total, so that a later calculation can say line by line what it changes. */
import { type Kysely, sql } from 'kysely';

export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    alter table design add column line_amounts jsonb;
    alter table design add column line_amounts_before jsonb;
  `.execute(db);
}
