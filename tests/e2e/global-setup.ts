/** A throw-away cluster with the demo data, of which each worker makes its own copy; stopped after the last test. */
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { setUpDatabase } from '@/cli/set-up';
import { startCluster } from '../../scripts/lib/cluster';

export default async function globalSetup(): Promise<() => void> {
  const home = fs.mkdtempSync(path.join(os.tmpdir(), 'wick-e2e-'));
  fs.chmodSync(home, 0o755);
  const cluster = await startCluster(home, { durable: false });
  await setUpDatabase(cluster.url, { demo: true });
  process.env.E2E_DATABASE = cluster.url;
  process.env.WICK_LOG = path.join(home, 'application.log');
  return () => {
    cluster.stop();
    fs.rmSync(home, { recursive: true, force: true });
  };
}
