/**
 * The command line as one small program: what a command does not use is not loaded, and nothing is translated when it
 * starts. Made anew when a source is newer. Plain JavaScript, because it runs before anything is translated.
 */
import fs from 'node:fs';
import path from 'node:path';

const FOLDER = 'node_modules/.wick-cli';
const PROGRAM = path.join(FOLDER, 'wick.mjs');
/** Loaded from their own folders, and only by the commands that need them. */
const APART = [
  'pg',
  'pg-copy-streams',
  'kysely',
  'exceljs',
  '@react-pdf/renderer',
  'react',
  'react/jsx-runtime',
];

/** How every program of ours is put together: the command line, and the threads beside the application. */
export const BUNDLED = {
  outExtension: { '.js': '.mjs' },
  bundle: true,
  splitting: true,
  format: 'esm',
  platform: 'node',
  target: 'node20',
  external: APART,
  minify: true,
  logLevel: 'error',
  // Packages of the older kind ask for parts of Node in their own way.
  banner: {
    js: "import { createRequire as madeRequire } from 'node:module'; const require = madeRequire(import.meta.url);",
  },
};

function newest(entry) {
  const state = fs.statSync(entry);
  if (!state.isDirectory()) return /\.(ts|tsx|mjs)$/.test(entry) ? state.mtimeMs : 0;
  return fs
    .readdirSync(entry)
    .reduce((late, name) => Math.max(late, newest(path.join(entry, name))), state.mtimeMs);
}

function isFresh() {
  if (!fs.existsSync(PROGRAM)) return false;
  const made = fs.statSync(PROGRAM).mtimeMs;
  return ['src', 'scripts/bundle-cli.mjs', 'package-lock.json'].every((entry) => newest(entry) < made);
}

/** Brings the program up to date and says where it is. */
export async function ensureCli() {
  if (isFresh()) return PROGRAM;
  const { build } = await import('esbuild');
  fs.rmSync(FOLDER, { recursive: true, force: true });
  await build({
    entryPoints: { wick: 'src/cli/wick.ts' },
    outdir: FOLDER,
    ...BUNDLED,
  });
  return PROGRAM;
}
