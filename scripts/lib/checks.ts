/** What is checked without running anything: form, lint, types, dependencies, unused code. */
import { spawn } from 'node:child_process';
import path from 'node:path';
import { say } from './say';

export type Check = readonly [name: string, program: string, args: readonly string[]];

const CACHE = 'node_modules/.cache/wick';

const LINT = ['--max-warnings=0', '--cache', '--cache-strategy=content', `--cache-location=${CACHE}/eslint`];
const FORM = ['--check', '--log-level=warn', '--cache', `--cache-location=${CACHE}/prettier`];

/** The longest first. What was good before is not looked at again. */
export const CHECKS: readonly Check[] = [
  ['types', 'tsc', ['--noEmit', '--incremental', '--tsBuildInfoFile', `${CACHE}/types.tsbuildinfo`]],
  ['lint', 'eslint', ['.', ...LINT]],
  ['form', 'prettier', ['.', ...FORM]],
  ['types of the pure parts alone', 'tsc', ['-p', 'tsconfig.pure.json']],
  ['dependencies', 'depcruise', ['src', '--config', '.dependency-cruiser.cjs', '--output-type', 'err']],
  ['unused code', 'knip', ['--no-progress']],
];

/** Those that can be asked about some files alone, and types, which remember. */
export function checksOf(files: readonly string[]): readonly Check[] {
  const code = files.filter((file) => /\.(tsx?|mjs)$/.test(file));
  return [
    CHECKS[0]!,
    ...(code.length > 0 ? [['lint', 'eslint', [...code, ...LINT]] as const] : []),
    ...(files.length > 0 ? [['form', 'prettier', [...files, '--ignore-unknown', ...FORM]] as const] : []),
  ];
}

export interface Part {
  readonly name: string;
  readonly good: boolean;
  readonly seconds: number;
}

/** One after the other, each on one core; what it says is shown when it ends. */
export async function runChecks(checks: readonly Check[]): Promise<readonly Part[]> {
  const parts: Part[] = [];
  for (const [name, program, args] of checks) {
    const begun = Date.now();
    const { good, output } = await runCheck(program, args);
    const seconds = (Date.now() - begun) / 1000;
    say(`${name}: ${good ? 'good' : 'FAILED'} in ${seconds.toFixed(0)} s\n${output}`.trimEnd());
    parts.push({ name, good, seconds });
  }
  return parts;
}

function runCheck(program: string, args: readonly string[]): Promise<{ good: boolean; output: string }> {
  return new Promise((resolve) => {
    const child = spawn(path.join('node_modules', '.bin', program), args, {
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    const output: Buffer[] = [];
    child.stdout.on('data', (piece: Buffer) => output.push(piece));
    child.stderr.on('data', (piece: Buffer) => output.push(piece));
    child.once('error', (error) => resolve({ good: false, output: error.message }));
    child.once('close', (code) =>
      resolve({ good: code === 0, output: Buffer.concat(output).toString('utf8') }),
    );
  });
}
