/** Pools of connections, Kysely on top of them, and single clients for bulk work. */
import { Kysely, PostgresDialect, type PostgresPoolClient } from 'kysely';
import pg from 'pg';
import type { Database } from '@/stores/schema';

// Dates without a time stay text: a price date has no time zone.
pg.types.setTypeParser(pg.types.builtins.DATE, (text) => text);

/** Milliseconds after which a query is given up: by the server, and here where the server does not answer any more. */
const PATIENCE = 20_000;

interface Pools {
  readonly queries: pg.Pool;
  /** For what may take minutes: bringing in a price book. Few at once, and none waits for a short query. */
  readonly bulk: pg.Pool;
}

const pools = new WeakMap<Kysely<Database>, Pools>();

function poolOf(config: pg.PoolConfig): pg.Pool {
  const pool = new pg.Pool({ connectionTimeoutMillis: 10_000, keepAlive: true, ...config });
  // A connection that breaks while idle is dropped by the pool; the next query opens another. One that breaks in use
  // fails its query, which is where it is answered.
  pool.on('error', () => undefined);
  pool.on('connect', (client) => void client.on('error', () => undefined));
  return pool;
}

/** `patience`: milliseconds for a query; none for what changes tables, which takes as long as it takes. */
export function connect(url: string, patience: number | null = PATIENCE): Kysely<Database> {
  const queries = poolOf({
    connectionString: url,
    max: 10,
    ...(patience === null ? {} : { statement_timeout: patience, query_timeout: patience + 2000 }),
  });
  // Whoever brings in a book has waited for the file; a busy machine is no reason to refuse it.
  const bulk = poolOf({
    connectionString: url,
    max: 4,
    connectionTimeoutMillis: 30_000,
    allowExitOnIdle: true,
  });
  const db = new Kysely<Database>({ dialect: new PostgresDialect({ pool: queries }) });
  const endQueries = db.destroy.bind(db);
  db.destroy = async () => {
    await endQueries();
    await bulk.end();
  };
  pools.set(db, { queries, bulk });
  return db;
}

/** Runs `work` in one transaction on one client, which can also stream; `db` is Kysely on that client. */
export async function inTransaction<T>(
  database: Kysely<Database>,
  work: (db: Kysely<Database>, client: pg.PoolClient) => Promise<T>,
): Promise<T> {
  const client = await pools.get(database)!.bulk.connect();
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
