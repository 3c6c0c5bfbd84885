/** What `demo` and `dev` share: database, migration, demo data, application, and an orderly end. */
import { setUpDatabase } from '@/cli/set-up';
import { AppError } from '@/operations';
import { startApplication } from './application';
import { startCluster } from './cluster';
import { isFree } from './ports';
import { optionOf, say, stop } from './say';

export async function serve(mode: 'start' | 'dev', beforeStart: () => void): Promise<void> {
  const port = Number(optionOf('port', '4310'));
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    stop(`--port must be a number from 1 to 65535, not “${optionOf('port', '')}”.`);
  if (!(await isFree(port)))
    stop(`Port ${port} is taken. Stop what uses it, or choose another: ./run demo --port ${port + 1}`);
  beforeStart();
  const own = process.env.DATABASE_URL
    ? null
    : await startCluster(process.env.WICK_DATA ?? '.data', { durable: true });
  const databaseUrl = process.env.DATABASE_URL ?? own!.url;
  let ending = false;
  const end = async (code: number): Promise<void> => {
    if (ending) return;
    ending = true;
    await application?.stop();
    own?.stop();
    process.exit(code);
  };
  let application: Awaited<ReturnType<typeof startApplication>> | undefined;
  process.on('SIGINT', () => void end(0));
  process.on('SIGTERM', () => void end(0));
  try {
    await setUpDatabase(databaseUrl, { demo: true });
    application = await startApplication({ port, databaseUrl, mode });
  } catch (error) {
    own?.stop();
    if (error instanceof AppError) stop(error.message);
    throw error;
  }
  application.child.once('exit', () => {
    if (!ending)
      process.stderr.write(
        'The application ended unexpectedly. Run this again; nothing that was saved is lost.\n',
      );
    void end(1);
  });
  say(`Wick Tally is at ${application.address}   (Ctrl-C stops it)`);
  say(`The demo design: ${application.address}/designs/00000000-0000-4000-8000-000000000101`);
}
