/** Everything that is kept, into one file and back: PostgreSQL's own archive of the whole database. */
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { sql } from 'kysely';
import { setUpDatabase } from '@/cli/set-up';
import { connect } from '@/platform/data/connect';
import { startCluster } from './cluster';
import { requirePostgres } from './debian';
import { stop } from './say';

/** The connection goes by the environment: a password in arguments is seen by everybody on the machine. */
function environmentOf(url: string): NodeJS.ProcessEnv {
  const { hostname, port, username, password, pathname } = new URL(url);
  return {
    ...process.env,
    PGHOST: hostname,
    PGPORT: port || '5432',
    PGUSER: decodeURIComponent(username),
    PGPASSWORD: decodeURIComponent(password),
    PGDATABASE: decodeURIComponent(pathname.slice(1)),
  };
}

/** Runs `work` on the database of this installation, which is started for it if it does not run. */
export async function onDatabase(work: (url: string) => Promise<void>): Promise<void> {
  if (process.env.DATABASE_URL) return work(process.env.DATABASE_URL);
  const home = process.env.WICK_DATA ?? '.data';
  const ran = fs.existsSync(path.join(home, 'postgres', 'postmaster.pid'));
  const cluster = await startCluster(home, { durable: true });
  try {
    await work(cluster.url);
  } finally {
    if (!ran) cluster.stop();
  }
}

export async function backUp(url: string, file: string): Promise<void> {
  const making = `${file}.making`;
  fs.mkdirSync(path.dirname(path.resolve(file)), { recursive: true });
  const made = spawnSync(
    `${requirePostgres()}/pg_dump`,
    ['--format=custom', '--no-owner', '--no-privileges', `--file=${making}`],
    { env: environmentOf(url), encoding: 'utf8' },
  );
  if (made.status !== 0) {
    fs.rmSync(making, { force: true });
    stop(`The backup could not be written: ${reasonOf(made.stderr)} Nothing was changed.`);
  }
  // What stands under the name is whole, or is what stood there before.
  fs.renameSync(making, file);
}

export async function restore(url: string, file: string): Promise<void> {
  if (!fs.existsSync(file)) stop(`There is no file ${file}.`);
  const bin = requirePostgres();
  const listed = spawnSync(`${bin}/pg_restore`, ['--list', file], { encoding: 'utf8' });
  if (listed.status !== 0 || !listed.stdout.includes('TABLE DATA'))
    stop(`${file} is no backup of Wick Tally: ${reasonOf(listed.stderr)} Nothing was changed.`);
  if (await holdsSomething(url))
    stop(
      'This installation holds designs or price books already. Restore into an empty one, for example: WICK_DATA=.restored ./run restore FILE',
    );
  const brought = spawnSync(
    `${bin}/pg_restore`,
    [
      '--clean',
      '--if-exists',
      '--no-owner',
      '--no-privileges',
      '--single-transaction',
      '--dbname',
      databaseOf(url),
      file,
    ],
    { env: environmentOf(url), encoding: 'utf8' },
  );
  if (brought.status !== 0)
    stop(`The backup could not be brought in: ${reasonOf(brought.stderr)} Nothing was changed.`);
  // A backup of an older version is brought to the newest shape.
  await setUpDatabase(url, { demo: false });
}

const databaseOf = (url: string): string => decodeURIComponent(new URL(url).pathname.slice(1));

const reasonOf = (said: string): string =>
  `${said.trim().split('\n').at(-1) ?? ''}`.replace(/^.*?error: /, '');

async function holdsSomething(url: string): Promise<boolean> {
  const db = connect(url);
  try {
    const { rows } = await sql<{ made: boolean }>`select to_regclass('design') is not null as made`.execute(
      db,
    );
    if (!rows[0]?.made) return false;
    const { rows: found } = await sql<{ some: boolean }>`
      select exists (select from design) or exists (select from price_book) as some
    `.execute(db);
    return found[0]?.some ?? false;
  } finally {
    await db.destroy();
  }
}
