/** An installation: broken off while it was made, killed, taken into a file and brought in elsewhere. */
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { sql } from 'kysely';
import { afterAll, describe, expect, it, vi } from 'vitest';
import { setUpDatabase } from '@/cli/set-up';
import { connect } from '@/platform/data/connect';
import { installationOf, LOCAL_WORKSPACE } from '@/platform/data/workspace-repository';
import { repositories } from '@/stores/repositories';
import { writeDesign } from '@/features/design/format/design';
import { editDesign } from '@/features/design/use/edit-design';
import { importBook } from '@/features/price-books/use/import-book';
import { importDesign } from '@/features/design/use/designs';
import { importExchange } from '@/features/price-books/use/exchange';
import { smallBookFile } from '@tests/support/books';
import { designOf, serverOf } from '@tests/support/designs';
import { testContext } from '@tests/support/store-contract';
import { uploadOf } from '@tests/support/upload';
import { backUp, restore } from '../../scripts/lib/archive';
import { type Cluster, startCluster } from '../../scripts/lib/cluster';

vi.setConfig({ testTimeout: 120_000, hookTimeout: 120_000 });

const homes: string[] = [];
const running: Cluster[] = [];

function home(): string {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'wick-installation-'));
  fs.chmodSync(folder, 0o755);
  homes.push(folder);
  return folder;
}

async function started(folder: string): Promise<Cluster> {
  const cluster = await startCluster(folder, { durable: true });
  running.push(cluster);
  return cluster;
}

async function asked<T>(url: string, query: ReturnType<typeof sql<T>>): Promise<T[]> {
  const db = connect(url);
  try {
    return (await query.execute(db)).rows;
  } finally {
    await db.destroy();
  }
}

/** With a book, a design with edits, a link's worth of everything that a person makes. */
async function filled(url: string): Promise<void> {
  await setUpDatabase(url, { demo: false });
  const db = connect(url);
  const context = testContext(repositories(db), LOCAL_WORKSPACE);
  await importBook(context, uploadOf(smallBookFile()));
  const design = designOf([serverOf('a')], { books: [{ book: 'small', revision: 3 }] });
  const id = await importDesign(context, writeDesign(design));
  const edits = [{ edit: 'set-design', field: 'title', value: 'Edited 😀' }];
  await editDesign(context, id, { baseRevision: 0, batch: context.newId(), edits });
  await importExchange(context, 'date,from,to,rate\n2026-11-01,EUR,USD,1.1\n');
  await db.destroy();
}

afterAll(() => {
  for (const cluster of running) cluster.stop();
  for (const folder of homes) fs.rmSync(folder, { recursive: true, force: true });
});

describe('a cluster', () => {
  it('that was broken off while it was made is made anew, and a killed one comes back at its address', async () => {
    const folder = home();
    // What a broken-off making leaves: the first files, and nothing that a server could read.
    fs.mkdirSync(path.join(folder, 'postgres', 'global'), { recursive: true });
    fs.writeFileSync(path.join(folder, 'postgres', 'PG_VERSION'), '17\n');
    fs.mkdirSync(path.join(folder, 'postgres-making', 'base'), { recursive: true });
    const cluster = await started(folder);
    await asked(cluster.url, sql`create table kept (word text)`);
    await asked(cluster.url, sql`insert into kept values ('still here')`);
    process.kill(cluster.pid(), 'SIGKILL');
    await vi.waitFor(() => expect(cluster.isRunning()).toBe(false), { timeout: 10_000 });
    await cluster.revive();
    expect(cluster.isRunning()).toBe(true);
    expect(await asked(cluster.url, sql`select word from kept`)).toEqual([{ word: 'still here' }]);
  });
});

describe('a backup', () => {
  it('brought into an empty installation is the same one, to the last row', async () => {
    const [one, two] = [await started(home()), await started(home())];
    await filled(one.url);
    const file = path.join(home(), 'all.wick');
    await backUp(one.url, file);
    expect(fs.existsSync(`${file}.making`)).toBe(false);
    await restore(two.url, file);
    const everything = async (url: string) => {
      const tables = await asked<{ name: string }>(
        url,
        sql`select table_name as name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE' order by 1`,
      );
      const counted: Record<string, unknown> = {};
      for (const { name } of tables) {
        const [row] = await asked(
          url,
          sql`select count(*)::int as rows, md5(coalesce(string_agg(md5(t::text), '' order by md5(t::text)), '')) as all from ${sql.table(name)} t`,
        );
        counted[name] = row;
      }
      return counted;
    };
    const before = await everything(one.url);
    expect(Object.keys(before).length).toBeGreaterThan(12);
    expect(await everything(two.url)).toEqual(before);
    const [a, b] = [connect(one.url), connect(two.url)];
    expect(await installationOf(b)).toBe(await installationOf(a));
    await Promise.all([a.destroy(), b.destroy()]);

    // Into one that holds something, or from something else: refused, and nothing is changed.
    await expect(restore(two.url, file)).rejects.toThrow('holds designs or price books already');
    const other = path.join(home(), 'other');
    fs.writeFileSync(other, 'no backup');
    await expect(restore(two.url, other)).rejects.toThrow('is no backup');
    await expect(restore(two.url, `${other}-missing`)).rejects.toThrow('There is no file');
    expect(await everything(two.url)).toEqual(before);
  });
});
