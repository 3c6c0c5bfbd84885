/**
 * ./run bench faults [designs]: what the short suites try, at length, from seeds that they do not use; and how much of it
 * was refused, taken as it should, or went wrong. The baseline is none: all bad counts are zero.
 */
import fs from 'node:fs';
import path from 'node:path';
import { setUpDatabase } from '@/cli/set-up';
import type { Counts } from '@tests/faults/count';
import { tryDesigns } from '@tests/faults/designs';
import { tryEdits } from '@tests/faults/edits';
import { tryFiles } from '@tests/faults/files';
import { canMount, tryFullDisk } from '@tests/faults/full-disk';
import { tryImportKills } from '@tests/faults/import-kills';
import { temporaryHome } from '@tests/faults/place';
import { tryRequests } from '@tests/faults/requests';
import { highestMemory, tryUploads } from '@tests/faults/uploads';
import { startApplication } from '../scripts/lib/application';
import { ensureBuilt } from '../scripts/lib/build';
import { startCluster } from '../scripts/lib/cluster';
import { freePort } from '../scripts/lib/ports';

const count = Number(process.argv[2] ?? 5000);
const FRESH = 100_000;
const say = (text: string): void => void process.stdout.write(`${text}\n`);

function print(what: string, { tried, refused, taken, bad }: Counts): void {
  const numbers = [tried, refused, taken, bad.length].map((each) => String(each).padStart(9)).join('');
  say(`${what.padEnd(48)}${numbers}`);
  for (const each of bad.slice(0, 20)) say(`  ${each}`);
  if (bad.length > 0) process.exitCode = 1;
}

say(`${'what'.padEnd(48)}${['tried', 'refused', 'taken', 'bad'].map((head) => head.padStart(9)).join('')}`);
print('designs at the edges of every field', await tryDesigns(count, FRESH));
print('edits, each taken out and brought in again', await tryEdits(Math.ceil(count / 12), FRESH));
print('price books', await tryFiles(Math.max(400, Math.ceil(count / 5))));
print('database killed while a book comes in', await tryImportKills(12));
if (canMount()) print('edits, readings and an import on a full disk', await tryFullDisk(500));
else say('A full disk was not tried: only root can make a small one.');

await ensureBuilt();
const home = temporaryHome();
fs.chmodSync(home, 0o755);
const cluster = await startCluster(home, { durable: true });
await setUpDatabase(cluster.url, { demo: true });
process.env.WICK_LOG = path.join(home, 'application.log');
const application = await startApplication({
  port: await freePort(),
  databaseUrl: cluster.url,
  mode: 'start',
});
try {
  const pid = application.child.pid!;
  print('requests to the application', await tryRequests(application.address));
  print('price books sent to the application', await tryUploads(application.address, pid, 60));
  say(`Highest memory of the application ${highestMemory(pid)} MB.`);
} finally {
  await application.stop();
  cluster.stop();
  fs.rmSync(home, { recursive: true, force: true });
}
