/**
 * The demo, loaded once and copied from then on: a folder of the database server, kept under the hash of all that takes
 * part in loading it.
 */
import { spawnSync } from 'node:child_process';
import { createHash, type Hash } from 'node:crypto';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { setUpDatabase } from '@/cli/set-up';
import { startCluster } from '../../scripts/lib/cluster';

const KEPT = 'node_modules/.cache/wick/demo';
const LOADING = ['package-lock.json', 'scripts/lib/cluster.ts', 'src'];

function addTo(hash: Hash, entry: string): void {
  if (fs.statSync(entry).isDirectory()) {
    for (const name of fs.readdirSync(entry).sort()) addTo(hash, path.join(entry, name));
  } else if (/\.(ts|json)$/.test(entry) && !entry.endsWith('.test.ts')) {
    hash.update(entry).update(fs.readFileSync(entry));
  }
}

function copy(from: string, to: string): void {
  // Files of the server belong to its user, and go on belonging to it.
  const { status, stderr } = spawnSync('cp', ['-a', '--reflink=auto', `${from}/.`, to], { encoding: 'utf8' });
  if (status !== 0) throw new Error(`The demo could not be copied: ${stderr}`);
}

/** A new folder for a server, with nothing in it. */
export function emptyHome(name: string): string {
  const home = fs.mkdtempSync(path.join(os.tmpdir(), `wick-${name}-`));
  fs.chmodSync(home, 0o755);
  return home;
}

/** A new folder for a server, with the demo in it. */
export async function demoHome(name: string): Promise<string> {
  const hash = createHash('sha256');
  for (const entry of LOADING) addTo(hash, entry);
  const kept = path.join(KEPT, hash.digest('hex').slice(0, 16));
  if (!fs.existsSync(kept)) await load(kept);
  const home = emptyHome(name);
  copy(kept, home);
  return home;
}

async function load(kept: string): Promise<void> {
  const home = emptyHome('demo');
  const cluster = await startCluster(home, { durable: false });
  try {
    await setUpDatabase(cluster.url, { demo: true });
  } finally {
    cluster.stop();
  }
  // The newest alone is kept; it stands under its name when it is whole.
  fs.rmSync(KEPT, { recursive: true, force: true });
  fs.mkdirSync(`${kept}.making`, { recursive: true });
  copy(home, `${kept}.making`);
  fs.renameSync(`${kept}.making`, kept);
  fs.rmSync(home, { recursive: true, force: true });
}
