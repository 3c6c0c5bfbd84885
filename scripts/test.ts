/** ./run test: every check in order, stopping at the first that fails, with the count of tests at the end. */
import { spawn, spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { ensureBuilt } from './lib/build';
import { requireChromium, requirePostgres, requireReaders } from './lib/debian';
import { main, say, stop } from './lib/say';

const bin = (name: string): string => path.join('node_modules', '.bin', name);
const reports = fs.mkdtempSync(path.join(os.tmpdir(), 'wick-reports-'));
const VITEST_REPORT = path.join(reports, 'vitest.json');
const PLAYWRIGHT_REPORT = path.join(reports, 'playwright.json');

type Step = readonly [name: string, run: () => boolean | Promise<boolean>];

function command(
  program: string,
  args: readonly string[],
  env: Readonly<Record<string, string>> = {},
): boolean {
  return spawnSync(program, args, { stdio: 'inherit', env: { ...process.env, ...env } }).status === 0;
}

/** The longest first: two at a time, they end together. */
const CHECKS: readonly (readonly [name: string, program: string, args: readonly string[]])[] = [
  ['lint', 'eslint', ['.', '--max-warnings=0']],
  ['types', 'tsc', ['--noEmit']],
  ['form', 'prettier', ['--check', '--log-level=warn', '.']],
  ['types of the core alone', 'tsc', ['-p', 'tsconfig.core.json']],
  ['dependencies', 'depcruise', ['src', '--config', '.dependency-cruiser.cjs', '--output-type', 'err']],
  ['unused code', 'knip', ['--no-progress']],
];

function checked(program: string, args: readonly string[]): Promise<{ good: boolean; said: string }> {
  return new Promise((resolve) => {
    const child = spawn(bin(program), args, { stdio: ['ignore', 'pipe', 'pipe'] });
    const said: Buffer[] = [];
    child.stdout.on('data', (part: Buffer) => said.push(part));
    child.stderr.on('data', (part: Buffer) => said.push(part));
    child.once('error', (error) => resolve({ good: false, said: error.message }));
    child.once('close', (code) => resolve({ good: code === 0, said: Buffer.concat(said).toString('utf8') }));
  });
}

/** Each check uses one core; what it says is shown when it ends. */
const ALL_CHECKS: Step = [
  'form, lint, types, dependencies, unused code',
  async () => {
    const waiting = [...CHECKS];
    let good = true;
    const work = async (): Promise<void> => {
      for (let next = waiting.shift(); next; next = waiting.shift()) {
        const [name, program, args] = next;
        const result = await checked(program, args);
        say(`${name}: ${result.good ? 'good' : 'FAILED'}\n${result.said}`.trimEnd());
        good &&= result.good;
      }
    };
    await Promise.all([work(), work()]);
    return good;
  },
];

const UNIT: Step = [
  'unit and integration tests',
  () => {
    requirePostgres();
    requireReaders();
    return command(bin('vitest'), [
      'run',
      '--reporter=default',
      '--reporter=json',
      `--outputFile.json=${VITEST_REPORT}`,
    ]);
  },
];

const E2E: Step = [
  'browser tests',
  () => {
    requirePostgres();
    requireChromium();
    ensureBuilt();
    return command(bin('playwright'), ['test'], { PLAYWRIGHT_JSON_OUTPUT_NAME: PLAYWRIGHT_REPORT });
  },
];

/** Adds up what the runners themselves reported. */
function counts(): { passed: number; failed: number } {
  const total = { passed: 0, failed: 0 };
  if (fs.existsSync(VITEST_REPORT)) {
    const report = JSON.parse(fs.readFileSync(VITEST_REPORT, 'utf8')) as {
      numPassedTests: number;
      numFailedTests: number;
    };
    total.passed += report.numPassedTests;
    total.failed += report.numFailedTests;
  }
  if (fs.existsSync(PLAYWRIGHT_REPORT)) {
    const { stats } = JSON.parse(fs.readFileSync(PLAYWRIGHT_REPORT, 'utf8')) as {
      stats: { expected: number; flaky: number; unexpected: number };
    };
    total.passed += stats.expected + stats.flaky;
    total.failed += stats.unexpected;
  }
  return total;
}

async function run(): Promise<void> {
  const [only] = process.argv.slice(2);
  const steps = only === 'unit' ? [UNIT] : only === 'e2e' ? [E2E] : [ALL_CHECKS, UNIT, E2E];
  const failed: string[] = [];
  for (const [name, check] of steps) {
    const started = Date.now();
    say(`\n── ${name}`);
    if (!(await check())) failed.push(name);
    say(
      `── ${name}: ${failed.includes(name) ? 'FAILED' : 'good'} in ${((Date.now() - started) / 1000).toFixed(1)} s`,
    );
    if (failed.length > 0) break;
  }
  const { passed, failed: failedTests } = counts();
  say(`\n${passed} passed, ${failedTests} failed`);
  if (failed.length > 0) stop(`Stopped at: ${failed.join(', ')}.`);
}

main(run);
