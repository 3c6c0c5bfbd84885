/** ./run test: every check and every test, with where the time went and the count of tests at the end. */
import { spawn, spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { ensureBuilt } from './lib/build';
import { CHECKS, checksOf, type Part, runChecks } from './lib/checks';
import { requireChromium, requirePostgres, requireReaders } from './lib/debian';
import { main, say, stop } from './lib/say';
import { type Reports, tellReport } from './lib/test-report';

const reportFolder = fs.mkdtempSync(path.join(os.tmpdir(), 'wick-reports-'));
const reports: Reports = {
  vitest: path.join(reportFolder, 'vitest.json'),
  browser: path.join(reportFolder, 'playwright.json'),
  times: path.join(reportFolder, 'times.ndjson'),
};

function command(
  program: string,
  args: readonly string[],
  env: Readonly<Record<string, string>>,
): Promise<boolean> {
  return new Promise((resolve) => {
    const child = spawn(path.join('node_modules', '.bin', program), args, {
      stdio: ['ignore', 'inherit', 'inherit'],
      env: { ...process.env, ...env },
    });
    child.once('error', () => resolve(false));
    child.once('close', (code) => resolve(code === 0));
  });
}

async function timed(name: string, work: () => boolean | Promise<boolean>): Promise<readonly Part[]> {
  say(`\n── ${name}`);
  const begun = Date.now();
  const good = await work();
  const seconds = (Date.now() - begun) / 1000;
  say(`── ${name}: ${good ? 'good' : 'FAILED'} in ${seconds.toFixed(0)} s`);
  return [{ name, good, seconds }];
}

const unitTests = (...more: readonly string[]): Promise<readonly Part[]> =>
  timed('unit and integration tests', () => {
    requirePostgres();
    requireReaders();
    const forms = ['--reporter=default', '--reporter=json', `--outputFile.json=${reports.vitest}`];
    return command('vitest', ['run', ...forms, ...more], { WICK_TIMES: reports.times });
  });

const build = (): Promise<readonly Part[]> =>
  timed('build of the application', async () => {
    await ensureBuilt();
    return true;
  });

const browserTests = (): Promise<readonly Part[]> =>
  timed('browser tests', () => {
    requirePostgres();
    requireChromium();
    return command('playwright', ['test'], { PLAYWRIGHT_JSON_OUTPUT_NAME: reports.browser });
  });

/** Against the last commit; files that are gone have nothing to check. */
function changedFiles(): readonly string[] {
  const list = (...args: string[]): string[] =>
    spawnSync('git', args, { encoding: 'utf8' }).stdout.split('\n').filter(Boolean);
  const all = [...list('diff', '--name-only', 'HEAD'), ...list('ls-files', '--others', '--exclude-standard')];
  return all.filter((file) => fs.existsSync(file));
}

/** Checks and building use one core beside the tests, of which several wait for other processes. */
async function beside(...sides: readonly (() => Promise<readonly Part[]>)[]): Promise<readonly Part[]> {
  return (await Promise.all(sides.map((side) => side()))).flat();
}

async function everything(): Promise<readonly Part[]> {
  const first = await beside(
    () => unitTests(),
    async () => [...(await runChecks(CHECKS)), ...(await build())],
  );
  return first.every(({ good }) => good) ? [...first, ...(await browserTests())] : first;
}

async function partsOf(only: string | undefined): Promise<readonly Part[]> {
  switch (only) {
    case 'unit':
      return unitTests();
    case 'e2e':
      return [...(await build()), ...(await browserTests())];
    case 'checks':
      return runChecks(CHECKS);
    case '--changed':
      return beside(
        () => unitTests('--changed', '--passWithNoTests'),
        () => runChecks(checksOf(changedFiles())),
      );
    case undefined:
      return everything();
    default:
      return stop(`There is no part “${only}”. ./run test takes unit, e2e, checks or --changed.`);
  }
}

async function run(): Promise<void> {
  const parts = await partsOf(process.argv[2]);
  tellReport(reports, parts);
  fs.rmSync(reportFolder, { recursive: true, force: true });
  const failed = parts.filter(({ good }) => !good).map(({ name }) => name);
  if (failed.length > 0) stop(`Failed: ${failed.join(', ')}.`);
}

main(run);
