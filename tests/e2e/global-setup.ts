/** A throw-away cluster with the demo data, of which each worker makes its own copy; stopped after the last test. */
import fs from 'node:fs';
import path from 'node:path';
import { demoHome } from '@tests/support/demo-home';
import { startCluster } from '../../scripts/lib/cluster';

export default async function globalSetup(): Promise<() => void> {
  const home = await demoHome('e2e');
  const cluster = await startCluster(home, { durable: false });
  process.env.E2E_DATABASE = cluster.url;
  process.env.WICK_LOG = path.join(home, 'application.log');
  return () => {
    cluster.stop();
    fs.rmSync(home, { recursive: true, force: true });
  };
}
