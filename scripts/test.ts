/** ./run test: every check in order, stopping at the first that fails, with the count of tests at the end. */
import { spawnSync } from 'node:child_process';
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

type Step = readonly [name: string, run: () => boolean];

function command(
  program: string,
  args: readonly string[],
  env: Readonly<Record<string, string>> = {},
): boolean {
  return spawnSync(program, args, { stdio: 'inherit', env: { ...process.env, ...env } }).status === 0;
}

const CHECKS: readonly Step[] = [
  ['form (prettier)', () => command(bin('prettier'), ['--check', '--log-level=warn', '.'])],
  ['lint', () => command(bin('eslint'), ['.', '--max-warnings=0'])],
  ['types', () => command(bin('tsc'), ['--noEmit'])],
  ['types of the core alone', () => command(bin('tsc'), ['-p', 'tsconfig.core.json'])],
  [
    'dependencies',
    () => command(bin('depcruise'), ['src', '--config', '.dependency-cruiser.cjs', '--output-type', 'err']),
  ],
  ['unused code', () => command(bin('knip'), ['--no-progress'])],
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
  const steps = only === 'unit' ? [UNIT] : only === 'e2e' ? [E2E] : [...CHECKS, UNIT, E2E];
  const failed: string[] = [];
  for (const [name, check] of steps) {
    const started = Date.now();
    say(`\n── ${name}`);
    if (!check()) failed.push(name);
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
