/**
 * What must be there before anything else can run: a Node that is new enough, room on the disk, and the packages of
 * the lock. Plain JavaScript on purpose: it runs before any package is installed.
 */
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { pathToFileURL } from 'node:url';

const MARK = 'node_modules/.wick-lock';
const MEGABYTE = 1_000_000;

function stop(sentence) {
  process.stderr.write(`${sentence}\n`);
  process.exit(69);
}

const [major, minor] = process.versions.node.split('.').map(Number);
if (major < 20 || (major === 20 && minor < 9)) {
  stop(
    `Wick Tally needs Node 20.9 or newer, and this is ${process.version}. Install a newer Node and run this again.`,
  );
}

const lock = createHash('sha256').update(fs.readFileSync('package-lock.json')).digest('hex');
const installed = fs.existsSync(MARK) && fs.readFileSync(MARK, 'utf8') === lock;

if (process.argv[2] !== 'help') {
  const { bavail, bsize } = fs.statfsSync('.');
  const free = Number(bavail) * Number(bsize);
  const needed = installed ? 300 * MEGABYTE : 2000 * MEGABYTE;
  if (free < needed) {
    stop(
      `The disk has ${Math.floor(free / MEGABYTE)} MB free and ${needed / MEGABYTE} MB are needed. Make room and run this again.`,
    );
  }
  if (!installed) install();
}

if (['wick', 'demo', 'serve'].includes(process.argv[2])) {
  const { ensureProgram } = await import('./bundle-cli.mjs');
  const program = path.resolve(await ensureProgram(process.argv[2]));
  process.argv = [process.argv[0], program, ...process.argv.slice(3)];
  await import(pathToFileURL(program).href);
}

function install() {
  process.stdout.write('Installing packages from the lock (about a minute, once) …\n');
  const before = fs.readFileSync('package-lock.json');
  const result = spawnSync(
    'npm',
    ['install', '--prefer-offline', '--no-audit', '--no-fund', '--loglevel=error'],
    {
      stdio: ['ignore', 'ignore', 'inherit'],
    },
  );
  if (result.error || result.status !== 0) {
    stop(
      'The packages could not be installed (see above). Check that the npm registry can be reached and run this again.',
    );
  }
  // Registries differ in which platforms' optional binaries they carry, and the installer writes what it saw into the
  // lock. That is no difference in what the product is made of: the committed lock is put back.
  const after = fs.readFileSync('package-lock.json');
  fs.writeFileSync('package-lock.json', before);
  const differs = differences(JSON.parse(before).packages, JSON.parse(after).packages);
  if (differs.length > 0) {
    stop(
      `package-lock.json does not match package.json (${differs.slice(0, 5).join(', ')}). The lock was left as it was; bring the two in line.`,
    );
  }
  fs.writeFileSync(MARK, lock);
}

/** Packages that one lock has in another version than the other; optional ones may be missing from either. */
function differences(before, after) {
  return [...new Set([...Object.keys(before), ...Object.keys(after)])].filter((name) => {
    if (name === '') return false;
    const [old, fresh] = [before[name], after[name]];
    if (!old || !fresh) return !(old ?? fresh).optional;
    return old.version !== fresh.version;
  });
}
