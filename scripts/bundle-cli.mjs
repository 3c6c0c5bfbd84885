/**
 * The command line, and what starts the application, as small programs: what a command does not use is not loaded, and
 * nothing is translated when it starts. Made anew when a source is newer. Plain JavaScript, because it runs before
 * anything is translated.
 */
import fs from 'node:fs';
import path from 'node:path';

const FOLDER = 'node_modules/.wick-cli';
const DAY = 24 * 60 * 60 * 1000;
const PROGRAMS = { wick: 'src/cli/wick.ts', demo: 'scripts/demo.ts', serve: 'scripts/serve.ts' };
/** Loaded from their own folders, and only by the commands that need them. */
const APART = [
  'pg',
  'pg-copy-streams',
  'kysely',
  'exceljs',
  '@react-pdf/renderer',
  'react',
  'react/jsx-runtime',
  'esbuild',
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

function isFresh(program) {
  if (!fs.existsSync(program)) return false;
  const made = fs.statSync(program).mtimeMs;
  return ['src', 'scripts', 'package-lock.json'].every((entry) => newest(entry) < made);
}

/** Brings the programs up to date and says where one is: `wick`, `demo` or `serve`. */
export async function ensureProgram(name) {
  const program = path.join(FOLDER, `${name}.mjs`);
  if (isFresh(program)) return program;
  const { build } = await import('esbuild');
  const { outputFiles } = await build({ write: false, entryPoints: PROGRAMS, outdir: FOLDER, ...BUNDLED });
  fs.mkdirSync(FOLDER, { recursive: true });
  for (const { path: file, contents } of outputFiles) replaceFile(file, contents);
  removeOlder(outputFiles.map((file) => path.basename(file.path)));
  return program;
}

/** Whole or not at all: another program may be reading it. */
export function replaceFile(file, contents) {
  const making = `${file}.${process.pid}`;
  fs.writeFileSync(making, contents);
  fs.renameSync(making, file);
}

/** Parts of an earlier making, once no program that was started with them is likely to ask for one more. */
function removeOlder(current) {
  for (const name of fs.readdirSync(FOLDER)) {
    const file = path.join(FOLDER, name);
    if (!current.includes(name) && Date.now() - fs.statSync(file).mtimeMs > DAY) fs.rmSync(file);
  }
}
