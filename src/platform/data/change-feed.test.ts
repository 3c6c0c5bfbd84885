import { type Kysely, sql } from 'kysely';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { freshDatabase, urlOf } from '@tests/support/database';
import { designOf, serverOf } from '@tests/support/designs';
import { testContext } from '@tests/support/store-contract';
import { writeDesign } from '@/features/design/format/design';
import { editDesign } from '@/features/design/use/edit-design';
import { importDesign } from '@/features/design/use/designs';
import { LiveHub } from '@/features/design/use/live';
import { changeFeed } from './change-feed';
import { connect } from './connect';
import { type Database } from '@/stores/schema';
import { repositories } from '@/stores/repositories';

const ends: (() => unknown)[] = [];
afterEach(async () => {
  for (const end of ends.splice(0).reverse()) await end();
});

/** A process of the application, as far as it matters here: connections, feed and hub of its own. */
function processOn(url: string, name: string) {
  const db: Kysely<Database> = connect(url);
  const hub = new LiveHub(changeFeed(db, url), name);
  ends.push(
    () => db.destroy(),
    () => hub.close(),
  );
  const revisions: number[] = [];
  const counts: number[] = [];
  const listener = {
    revision: (revision: number) => void revisions.push(revision),
    present: (count: number) => void counts.push(count),
  };
  return { db, hub, revisions, counts, listener, context: testContext(repositories(db)) };
}

async function twoProcesses() {
  const first = await freshDatabase();
  ends.push(() => first.destroy());
  const url = urlOf(first);
  const [one, two] = [processOn(url, 'one'), processOn(url, 'two')];
  const id = await importDesign(one.context, writeDesign(designOf([serverOf('a')])));
  const rename = (name: string, base: number) => ({
    baseRevision: base,
    batch: crypto.randomUUID(),
    edits: [{ edit: 'set-design', field: 'title', value: name }],
  });
  return { one, two, id, url, rename };
}

describe('two processes on one database', () => {
  it('hear of each other’s saves, when they are committed, and of who has a design open', async () => {
    const { one, two, id, rename } = await twoProcesses();
    one.hub.join(id, one.listener);
    const leave = two.hub.join(id, two.listener);
    // Who did not listen yet when the other said so hears it when it is said again, within 15 s.
    await vi.waitFor(() => expect([one.counts.at(-1), two.counts.at(-1)]).toEqual([2, 2]), 30_000);
    const saved = await editDesign(one.context, id, rename('Other', 0));
    await vi.waitFor(() => expect(two.revisions).toEqual([saved.revision]), 5000);
    // Also where the process that saved tells nobody: the database does.
    await vi.waitFor(() => expect(one.revisions).toEqual([saved.revision]), 5000);
    leave();
    await vi.waitFor(() => expect(one.counts.at(-1)).toBe(1), 5000);
  });

  it('find each other again after the connection broke, and what was saved meanwhile', async () => {
    const { one, two, id, rename } = await twoProcesses();
    two.hub.join(id, two.listener);
    await vi.waitFor(() => expect(two.counts.at(-1)).toBe(1), 5000);
    const listeners = sql<{
      pid: number;
    }>`select pid from pg_stat_activity where query = 'listen design_change'
      and datname = current_database()`;
    await vi.waitFor(async () => expect((await listeners.execute(one.db)).rows).toHaveLength(1), 5000);
    await sql`select pg_terminate_backend(pid) from pg_stat_activity where query = 'listen design_change'
      and datname = current_database()`.execute(one.db);
    const saved = await editDesign(one.context, id, rename('While it was away', 0));
    await vi.waitFor(() => expect(two.revisions).toContain(saved.revision), 8000);
    await editDesign(one.context, id, rename('And after', saved.revision));
    await vi.waitFor(() => expect(two.revisions.at(-1)).toBe(saved.revision + 1), 5000);
  });

  it('take no harm from what somebody else tells on the channel', async () => {
    const { one, two, id, rename } = await twoProcesses();
    two.hub.join(id, two.listener);
    await vi.waitFor(() => expect(two.counts.at(-1)).toBe(1), 5000);
    for (const text of ['', 'x', '[]', 'null', '{"what":"saved"}', '{"what":"new","design":"d"}']) {
      await sql`select pg_notify('design_change', ${text})`.execute(one.db);
    }
    const saved = await editDesign(one.context, id, rename('Other', 0));
    await vi.waitFor(() => expect(two.revisions).toEqual([saved.revision]), 5000);
  });
});
