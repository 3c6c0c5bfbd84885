/** One pool of connections per process; Kysely on top of it, and single clients for bulk work. */
import { Kysely, PostgresDialect, type PostgresPoolClient } from 'kysely';
import pg from 'pg';
import type { Database } from './schema';

// Dates without a time stay text: a price date has no time zone.
pg.types.setTypeParser(pg.types.builtins.DATE, (text) => text);

const pools = new WeakMap<Kysely<Database>, pg.Pool>();

export function connect(url: string): Kysely<Database> {
  const pool = new pg.Pool({ connectionString: url, max: 10, connectionTimeoutMillis: 5000 });
  // A connection that breaks while idle is dropped by the pool; the next query opens another.
  pool.on('error', () => undefined);
  const db = new Kysely<Database>({ dialect: new PostgresDialect({ pool }) });
  pools.set(db, pool);
  return db;
}

/** Runs `work` in one transaction on one client, which can also stream; `db` is Kysely on that client. */
export async function inTransaction<T>(
  database: Kysely<Database>,
  work: (db: Kysely<Database>, client: pg.PoolClient) => Promise<T>,
): Promise<T> {
  const client = await pools.get(database)!.connect();
  const db = onClient(client);
  let broken: Error | undefined;
  try {
    await client.query('begin');
    const result = await work(db, client);
    await client.query('commit');
    return result;
  } catch (error) {
    await client.query('rollback').catch((failed: Error) => (broken = failed));
    throw error;
  } finally {
    client.release(broken);
  }
}

function onClient(client: pg.PoolClient): Kysely<Database> {
  const lent = {
    query: client.query.bind(client),
    release: () => undefined,
  } as unknown as PostgresPoolClient;
  const pool = { connect: async () => lent, end: async () => undefined };
  return new Kysely<Database>({ dialect: new PostgresDialect({ pool }) });
}
