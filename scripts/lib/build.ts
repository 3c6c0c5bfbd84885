/** Builds the application when its sources have changed since the last build. */
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { say, stop } from './say';

const MARK = '.next/wick-build';
const SOURCES = ['src', 'package-lock.json', 'next.config.ts', 'postcss.config.mjs', 'tsconfig.json'];

export const NEXT = 'node_modules/next/dist/bin/next';

export function ensureBuilt(): void {
  const state = stateOfSources();
  if (fs.existsSync(MARK) && fs.readFileSync(MARK, 'utf8') === state) return;
  say('Building the application (about a minute) …');
  const result = spawnSync(process.execPath, [NEXT, 'build'], {
    encoding: 'utf8',
    env: { ...process.env, NODE_ENV: 'production' },
  });
  if (result.status !== 0) {
    process.stderr.write(`${result.stdout}\n${result.stderr}\n`);
    stop('The application could not be built; the reason stands above.');
  }
  fs.writeFileSync(MARK, state);
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
