/**
 * What must be there before anything else can run: a Node that is new enough, room on the disk, and the packages of
 * the lock. Plain JavaScript on purpose: it runs before any package is installed.
 */
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import fs from 'node:fs';

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
  if (!before.equals(fs.readFileSync('package-lock.json'))) {
    fs.writeFileSync('package-lock.json', before);
    stop(
      'Installing changed package-lock.json, so it does not match package.json. The lock was put back; bring the two in line.',
    );
  }
  fs.writeFileSync(MARK, lock);
}
