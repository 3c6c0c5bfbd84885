/** Builds the application when its sources have changed since the last build. */
import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { say, stop } from './say';

const MARK = '.next/wick-build';
const SOURCES = ['src', 'package-lock.json', 'next.config.ts', 'postcss.config.mjs', 'tsconfig.json'];

export const NEXT = 'node_modules/next/dist/bin/next';

export async function ensureBuilt(): Promise<void> {
  const state = stateOfSources();
  if (fs.existsSync(MARK) && fs.readFileSync(MARK, 'utf8') === state) return;
  say('Building the application (about a minute) …');
  const { status, output } = await built();
  if (status !== 0) {
    process.stderr.write(`${output}\n`);
    stop('The application could not be built; the reason stands above.');
  }
  fs.writeFileSync(MARK, state);
}

function built(): Promise<{ status: number | null; output: string }> {
  return new Promise((resolve, reject) => {
    const child = spawn(process.execPath, [NEXT, 'build'], {
      env: { ...process.env, NODE_ENV: 'production' },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    const output: Buffer[] = [];
    child.stdout.on('data', (piece: Buffer) => output.push(piece));
    child.stderr.on('data', (piece: Buffer) => output.push(piece));
    child.once('error', reject);
    child.once('close', (status) => resolve({ status, output: Buffer.concat(output).toString('utf8') }));
  });
}

function stateOfSources(): string {
  const hash = createHash('sha256');
  for (const source of SOURCES) addTo(hash, source);
  return hash.digest('hex');
}

function addTo(hash: ReturnType<typeof createHash>, entry: string): void {
  if (fs.statSync(entry).isDirectory()) {
    for (const name of fs.readdirSync(entry).sort()) addTo(hash, path.join(entry, name));
  } else if (!/\.test\.tsx?$/.test(entry)) hash.update(entry).update(fs.readFileSync(entry));
}
