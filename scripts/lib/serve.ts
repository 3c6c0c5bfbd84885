/** What `demo`, `dev` and `serve` share: database, migration, application, both kept alive, and an orderly end. */
import path from 'node:path';
import { setUpDatabase } from '@/cli/set-up';
import { AppError } from '@/platform/use/app-error';
import { type Application, startApplication } from './application';
import { type Cluster, startCluster } from './cluster';
import { ensureDesk } from './desk';
import { isFree, isLoopback, LOOPBACK } from './ports';
import { optionOf, say, stop } from './say';
import { supervised } from './supervise';

export interface Serving {
  readonly command: 'demo' | 'dev' | 'serve';
  readonly mode: 'start' | 'dev';
  readonly demo: boolean;
  readonly beforeStart: () => Promise<void>;
}

/** Milliseconds between two looks at the database server. */
const LOOK = 1000;

function portOf(command: string): number {
  const text = optionOf('port', process.env.PORT ?? '4310');
  const port = Number(text);
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    stop(`--port must be a number from 1 to 65535, not “${text}”. For example: ./run ${command} --port 4310`);
  return port;
}

function hostOf(): string {
  const host = optionOf('host', process.env.HOST ?? LOOPBACK);
  if (!isLoopback(host)) {
    stop(
      `Wick Tally has no sign-in yet, so it listens on this machine only, not on “${host}”. Use HOST=127.0.0.1, and put what signs people in before it.`,
    );
  }
  return host;
}

export async function serve({ command, mode, demo, beforeStart }: Serving): Promise<void> {
  const [port, host] = [portOf(command), hostOf()];
  if (!(await isFree(port)))
    stop(`Port ${port} is taken. Stop what uses it, or choose another: ./run ${command} --port ${port + 1}`);
  await beforeStart();
  // Made while the database starts; asked for again, and its failure told, where it is needed.
  void ensureDesk().catch(() => undefined);
  const own = process.env.DATABASE_URL
    ? null
    : await startCluster(process.env.WICK_DATA ?? '.data', { durable: true });
  const databaseUrl = process.env.DATABASE_URL ?? own!.url;
  process.env.WICK_LOG ??= path.join(process.env.WICK_DATA ?? '.data', 'application.log');
  let ending = false;
  let application: Application | undefined;
  const end = async (code: number): Promise<void> => {
    if (ending) return;
    ending = true;
    await application?.stop();
    own?.stop();
    process.exit(code);
  };
  // A closed terminal ends it as Ctrl-C does.
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.on(signal, () => void end(0));
  const start = async (): Promise<Application> => {
    application = await startApplication({ port, host, databaseUrl, mode });
    return application;
  };
  try {
    await setUpDatabase(databaseUrl, { demo });
    await start();
  } catch (error) {
    await application?.stop();
    own?.stop();
    if (error instanceof AppError) stop(error.message);
    throw error;
  }
  keepApplication(
    application!,
    start,
    () => ending,
    () => void end(1),
  );
  if (own)
    keepDatabase(
      own,
      () => ending,
      () => void end(1),
    );
  say(`Wick Tally is at ${application!.address}   (Ctrl-C stops it)`);
  if (demo) say(`The demo design: ${application!.address}/designs/00000000-0000-4000-8000-000000000101`);
}

function keepApplication(
  first: Application,
  start: () => Promise<Application>,
  isEnding: () => boolean,
  giveUp: () => void,
): void {
  const restart = supervised('The application', giveUp);
  const watch = (application: Application): void => {
    application.child.once('exit', () => {
      if (!isEnding()) void restart(async () => watch(await start()), isEnding);
    });
  };
  watch(first);
}

function keepDatabase(own: Cluster, isEnding: () => boolean, giveUp: () => void): void {
  const restart = supervised('The database', giveUp);
  let busy = false;
  setInterval(() => {
    if (busy || isEnding() || own.isRunning()) return;
    busy = true;
    void restart(() => own.revive(), isEnding).finally(() => (busy = false));
  }, LOOK).unref();
}
