/** Regions say in which part of the world they lie, so that a nearest equivalent is a rule. Null: the book does not say. */
import { type Kysely, sql } from 'kysely';

export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`alter table book_region add column area text`.execute(db);
}
