/**
 * A PostgreSQL cluster of our own on loopback: made once, started and stopped with the application. Started by root
 * it runs as the unprivileged user that Debian's package brings, because PostgreSQL refuses root.
 */
import { spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { requirePostgres } from './debian';
import { removeOrphans } from './orphans';
import { freePort, LOOPBACK } from './ports';
import { stop } from './say';

const SERVER_USER = 'postgres';
const ROLE = 'wick';

export interface Cluster {
  readonly url: string;
  readonly folder: string;
  stop(): void;
  /** For tests: the process id of the server. */
  pid(): number;
  isRunning(): boolean;
  /** Starts a server again that was killed, at the same address. */
  revive(): Promise<void>;
}

export interface ClusterOptions {
  /** Off only for throw-away clusters of tests. */
  readonly durable: boolean;
}

export async function startCluster(home: string, options: ClusterOptions): Promise<Cluster> {
  const bin = requirePostgres();
  const folder = path.resolve(home, 'postgres');
  prepareHome(home);
  const password = passwordOf(home);
  if (!isMade(folder)) createCluster(bin, home, folder, password);
  let port = runningPort(bin, folder);
  const settingsFor = (at: number): string =>
    [
      `-c listen_addresses=${LOOPBACK}`,
      `-c port=${at}`,
      '-c unix_socket_directories=',
      '-c shared_buffers=256MB',
      // One server, no copies of it: a large book loaded into a table of its own needs no second writing.
      '-c wal_level=minimal',
      '-c max_wal_senders=0',
      ...(options.durable ? [] : ['-c fsync=off', '-c synchronous_commit=off', '-c full_page_writes=off']),
    ].join(' ');
  if (port === null) {
    port = await freePort();
    await startServer(bin, folder, settingsFor(port));
  }
  const fixed = port;
  const url = `postgres://${ROLE}:${password}@${LOOPBACK}:${port}/${ROLE}`;
  ensureDatabase(bin, fixed, password);
  if (options.durable) await removeOrphans(folder, url);
  return {
    url,
    folder,
    stop: () => void asServerUser([`${bin}/pg_ctl`, '-D', folder, '-m', 'fast', '-w', 'stop']),
    pid: () => serverPid(folder) ?? stop('The database server is not running.'),
    isRunning: () => {
      const pid = serverPid(folder);
      return pid !== null && isRunning(pid);
    },
    revive: async () => {
      await startServer(bin, folder, settingsFor(fixed));
      await removeOrphans(folder, url);
    },
  };
}

/** After a killed server its last processes may hold the memory for a moment: tries again for a while. */
async function startServer(bin: string, folder: string, settings: string): Promise<void> {
  const log = path.join(folder, 'server.log');
  for (let tries = 0; tries < 20; tries += 1) {
    removeStalePid(folder);
    const start = [`${bin}/pg_ctl`, '-D', folder, '-l', log, '-o', settings, '-w', '-t', '60', 'start'];
    if (asServerUser(start).status === 0) return;
    await new Promise((resolve) => setTimeout(resolve, 500));
  }
  const lines = fs.existsSync(log) ? fs.readFileSync(log, 'utf8').trim().split('\n') : [];
  stop(`PostgreSQL did not start: ${lines.pop() ?? 'no reason was given.'} Its log is ${log}.`);
}

function serverPid(folder: string): number | null {
  const file = path.join(folder, 'postmaster.pid');
  return fs.existsSync(file) ? Number(fs.readFileSync(file, 'utf8').split('\n')[0]) : null;
}

/** A process that was killed and not yet buried by its parent still has a number, but does nothing any more. */
function isRunning(pid: number): boolean {
  try {
    return !/\nState:\s+[ZX]/.test(fs.readFileSync(`/proc/${pid}/status`, 'utf8'));
  } catch {
    return false;
  }
}

function removeStalePid(folder: string): void {
  const pid = serverPid(folder);
  if (pid !== null && !isRunning(pid)) fs.rmSync(path.join(folder, 'postmaster.pid'));
}

function isRoot(): boolean {
  return process.getuid?.() === 0;
}

function asServerUser(command: readonly string[], env: NodeJS.ProcessEnv = process.env) {
  const [program = '', ...args] = isRoot() ? ['runuser', '-u', SERVER_USER, '--', ...command] : command;
  // What the server inherits must not be our pipes, or waiting for them would wait for the server itself.
  return spawnSync(program, args, { stdio: ['ignore', 'ignore', 'ignore'], encoding: 'utf8', env, cwd: '/' });
}

function prepareHome(home: string): void {
  fs.mkdirSync(path.join(home, 'postgres'), { recursive: true });
  if (!isRoot()) return;
  const folder = path.join(home, 'postgres');
  spawnSync('chown', ['-R', SERVER_USER, folder]);
  if (asServerUser(['test', '-w', path.resolve(folder)]).status !== 0) {
    stop(
      `As root the database runs as the user “${SERVER_USER}”, who cannot reach ${path.resolve(home)}. Put the project in a folder that others may enter, or set WICK_DATA to one.`,
    );
  }
}

function passwordOf(home: string): string {
  const file = path.join(home, 'postgres-password');
  if (!fs.existsSync(file)) fs.writeFileSync(file, randomBytes(24).toString('hex'), { mode: 0o600 });
  return fs.readFileSync(file, 'utf8').trim();
}

/** Whether the making of it came to its end: what was broken off holds no data and is made anew. */
function isMade(folder: string): boolean {
  return (
    fs.existsSync(path.join(folder, 'PG_VERSION')) && fs.existsSync(path.join(folder, 'global', 'pg_control'))
  );
}

/** Made beside its place and moved there when it is whole, so that one can break it off at any time. */
function createCluster(bin: string, home: string, folder: string, password: string): void {
  const making = path.resolve(home, 'postgres-making');
  for (const left of [making, folder]) fs.rmSync(left, { recursive: true, force: true });
  fs.mkdirSync(making);
  if (isRoot()) spawnSync('chown', [SERVER_USER, making]);
  const passwordFile = path.resolve(home, 'postgres', '..', `initial-${process.pid}`);
  fs.writeFileSync(passwordFile, password, { mode: 0o600 });
  if (isRoot()) spawnSync('chown', [SERVER_USER, passwordFile]);
  const made = asServerUser([
    `${bin}/initdb`,
    '-D',
    making,
    '-U',
    ROLE,
    '--auth=scram-sha-256',
    `--pwfile=${passwordFile}`,
    '--encoding=UTF8',
    '--locale=C.UTF-8',
  ]);
  fs.rmSync(passwordFile, { force: true });
  if (made.status !== 0)
    stop(
      `The database cluster could not be made in ${folder}. Check that the disk has room and the folder is empty.`,
    );
  fs.renameSync(making, folder);
}

/** The port of a server that still runs on this folder, for example after the application was killed. */
function runningPort(bin: string, folder: string): number | null {
  const pid = serverPid(folder);
  if (pid === null || !isRunning(pid)) return null;
  const status = asServerUser([`${bin}/pg_ctl`, '-D', folder, 'status']);
  if (status.status !== 0) return null;
  return Number(fs.readFileSync(path.join(folder, 'postmaster.pid'), 'utf8').split('\n')[3]);
}

function ensureDatabase(bin: string, port: number, password: string): void {
  const env = { ...process.env, PGPASSWORD: password };
  const options = { stdio: 'ignore' as const, env };
  // The password goes by the environment: arguments are seen by everybody on the machine.
  const here = ['-h', LOOPBACK, '-p', String(port), '-U', ROLE];
  const exists = spawnSync(`${bin}/psql`, [...here, '-d', ROLE, '-c', 'select 1'], options);
  if (exists.status === 0) return;
  const made = spawnSync(`${bin}/createdb`, [...here, ROLE], options);
  if (made.status !== 0)
    stop(
      `The database does not answer on ${LOOPBACK}:${port}. Stop what else uses .data/postgres and run this again.`,
    );
}
