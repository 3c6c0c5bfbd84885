/** Vitest's global set-up: a cluster that lives as long as the run and forgives nothing but durability. */
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { startCluster } from '../../scripts/lib/cluster';

export default async function setUp(): Promise<() => void> {
  const home = fs.mkdtempSync(path.join(os.tmpdir(), 'wick-test-'));
  fs.chmodSync(home, 0o755);
  const cluster = await startCluster(home, { durable: false });
  process.env.TEST_DATABASE_URL = cluster.url;
  return () => {
    cluster.stop();
    fs.rmSync(home, { recursive: true, force: true });
  };
}
