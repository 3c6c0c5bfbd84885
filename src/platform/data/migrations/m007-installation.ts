/** A name for this installation: what browsers keep is kept for it alone, also where another answers at the same address. */
import { type Kysely, sql } from 'kysely';

export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table installation (id uuid primary key default gen_random_uuid());
  `.execute(db);
  await sql`insert into installation default values`.execute(db);
}
