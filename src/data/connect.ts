/** One pool of connections per process. */
import { Kysely, PostgresDialect } from 'kysely';
import pg from 'pg';
import type { Database } from './schema';

// Dates without a time stay text: a price date has no time zone.
pg.types.setTypeParser(pg.types.builtins.DATE, (text) => text);

export function connect(url: string): Kysely<Database> {
  const pool = new pg.Pool({ connectionString: url, max: 10, connectionTimeoutMillis: 5000 });
  // A connection that breaks while idle is dropped by the pool; the next query opens another.
  pool.on('error', () => undefined);
  return new Kysely<Database>({ dialect: new PostgresDialect({ pool }) });
}
