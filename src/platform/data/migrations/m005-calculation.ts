/** Which calculation a design's kept totals are of, and what they were by the one before. */
import { type Kysely, sql } from 'kysely';

export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    alter table design add column totals_calculation int not null default 1;
    alter table design add column monthly_before numeric;
  `.execute(db);
}
