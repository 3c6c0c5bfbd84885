/** Forty hostile price books, sent to the running application one after the other. */
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { expect, test } from '@playwright/test';
import { setUpDatabase } from '@/cli/set-up';
import { startApplication } from '../../scripts/lib/application';
import { startCluster } from '../../scripts/lib/cluster';
import { freePort } from '../../scripts/lib/ports';
import { tryUploads } from '../faults/uploads';

test.setTimeout(300_000);

test('hostile price books are refused one by one, in less than 1 GiB of memory', async () => {
  const home = fs.mkdtempSync(path.join(os.tmpdir(), 'wick-uploads-'));
  fs.chmodSync(home, 0o755);
  const cluster = await startCluster(home, { durable: false });
  await setUpDatabase(cluster.url, { demo: false });
  const application = await startApplication({
    port: await freePort(),
    databaseUrl: cluster.url,
    mode: 'start',
    quiet: true,
  });
  try {
    const { tried, refused, bad } = await tryUploads(application.address, application.child.pid!, 40);
    expect(bad).toEqual([]);
    expect(tried).toBe(40);
    expect(refused).toBeGreaterThan(25);
  } finally {
    await application.stop();
    cluster.stop();
    fs.rmSync(home, { recursive: true, force: true });
  }
});
