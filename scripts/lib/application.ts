/** Starts the application on a database and a port, and waits until it answers. */
import { type ChildProcess, spawn } from 'node:child_process';
import path from 'node:path';
import { ensureProgram } from '../bundle-cli.mjs';
import { NEXT } from './build';
import { ensureDesk } from './desk';
import { LOOPBACK } from './ports';
import { Stop, stop } from './say';

export interface Application {
  readonly address: string;
  readonly child: ChildProcess;
  stop(): Promise<void>;
}

export interface ApplicationOptions {
  readonly port: number;
  /** An address of this machine; loopback where nothing is said. */
  readonly host?: string;
  readonly databaseUrl: string;
  readonly mode: 'start' | 'dev';
  readonly quiet?: boolean;
}

export async function startApplication(options: ApplicationOptions): Promise<Application> {
  const { port, databaseUrl, mode, host = LOOPBACK } = options;
  const desk = await ensureDesk();
  const cli = path.resolve(await ensureProgram('wick'));
  const child = spawn(process.execPath, [NEXT, mode, '-p', String(port), '-H', host], {
    env: {
      ...process.env,
      DATABASE_URL: databaseUrl,
      WICK_DESK: desk,
      WICK_CLI: cli,
      NODE_ENV: mode === 'dev' ? 'development' : 'production',
    },
    stdio: options.quiet ? 'ignore' : ['ignore', mode === 'dev' ? 'inherit' : 'ignore', 'inherit'],
  });
  const address = `http://${host.includes(':') ? `[${host}]` : host}:${port}`;
  const ended = new Promise<never>((_, reject) =>
    child.once('exit', (code) =>
      reject(new Stop(`The application could not start (code ${code}); its reason stands above.`)),
    ),
  );
  ended.catch(() => undefined);
  await Promise.race([answer(`${address}/api/ready`), ended]);
  return {
    address,
    child,
    stop: () =>
      new Promise((resolve) => {
        if (child.exitCode !== null || child.signalCode !== null) return resolve();
        child.once('exit', () => resolve());
        child.kill('SIGTERM');
        setTimeout(() => child.kill('SIGKILL'), 5000).unref();
      }),
  };
}

async function answer(url: string): Promise<void> {
  const deadline = Date.now() + 90_000;
  while (Date.now() < deadline) {
    const reply = await fetch(url).catch(() => null);
    if (reply?.ok) return;
    await new Promise((resolve) => setTimeout(resolve, 40));
  }
  stop(`The application did not answer at ${url} within 90 seconds.`);
}
