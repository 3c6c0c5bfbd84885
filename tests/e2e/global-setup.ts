/** The built application on a throw-away cluster and a free port, with the demo data; stopped after the last test. */
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { setUpDatabase } from '@/cli/set-up';
import { startApplication } from '../../scripts/lib/application';
import { startCluster } from '../../scripts/lib/cluster';
import { freePort } from '../../scripts/lib/ports';

export default async function globalSetup(): Promise<() => Promise<void>> {
  const home = fs.mkdtempSync(path.join(os.tmpdir(), 'wick-e2e-'));
  fs.chmodSync(home, 0o755);
  const cluster = await startCluster(home, { durable: false });
  await setUpDatabase(cluster.url, { demo: true });
  const application = await startApplication({
    port: await freePort(),
    databaseUrl: cluster.url,
    mode: 'start',
  });
  process.env.E2E_ADDRESS = application.address;
  return async () => {
    await application.stop();
    cluster.stop();
    fs.rmSync(home, { recursive: true, force: true });
  };
}
