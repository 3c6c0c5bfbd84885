/** A place of its own for a suite that breaks things: a cluster that forgives nothing, and the operations on it. */
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { setUpDatabase } from '@/cli/set-up';
import { connect } from '@/platform/data/connect';
import { LOCAL_WORKSPACE } from '@/platform/data/workspace-repository';
import { repositories } from '@/stores/repositories';
import { DEMO_REVISIONS } from '@/demo/generate-book';
import { bookBytes } from '@/demo/load-demo';
import { NORVANE } from '@/demo/norvane';
import { type Context } from '@/stores/ports';
import { importBook } from '@/features/price-books/use/import-book';
import { testContext } from '@tests/support/store-contract';
import { type Cluster, startCluster } from '../../scripts/lib/cluster';

export interface Place {
  readonly home: string;
  readonly cluster: Cluster;
  readonly context: Context;
  end(): Promise<void>;
}

export async function placeIn(home: string): Promise<Place> {
  fs.chmodSync(home, 0o755);
  const cluster = await startCluster(home, { durable: true });
  await setUpDatabase(cluster.url, { demo: false });
  const db = connect(cluster.url);
  return {
    home,
    cluster,
    context: testContext(repositories(db), LOCAL_WORKSPACE),
    end: async () => {
      await db.destroy().catch(() => undefined);
      cluster.stop();
    },
  };
}

export function temporaryHome(): string {
  return fs.mkdtempSync(path.join(os.tmpdir(), 'wick-faults-'));
}

/** Brings in a book of so many rates, under a key of its own. */
export function importWide(context: Context, key: string, rates: number): Promise<unknown> {
  return importBook(context, {
    id: context.newId(),
    fileName: `${key}.json`,
    bytesTotal: null,
    source: bookBytes({ ...NORVANE, key }, DEMO_REVISIONS[0]!, rates),
  });
}

/** Megabytes of the tables' files. */
export function tablesSize(folder: string): number {
  const base = path.join(folder, 'base');
  let bytes = 0;
  for (const database of fs.readdirSync(base)) {
    for (const name of fs.readdirSync(path.join(base, database))) {
      bytes += fs.statSync(path.join(base, database, name), { throwIfNoEntry: false })?.size ?? 0;
    }
  }
  return bytes / 1e6;
}
