/** Of a link's key only the hash is kept: who reads the database, or a backup of it, opens no report with it. */
import { type Kysely, sql } from 'kysely';

export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    update design_link set token = encode(sha256(convert_to(token, 'UTF8')), 'hex');
    alter table design_link rename column token to token_hash;
    alter table design_link add check (token_hash ~ '^[0-9a-f]{64}$');
  `.execute(db);
}
