/** Long work over several processes on one database: whoever is there works it off, and nothing is lost with a process. */
import { spawn } from 'node:child_process';
import type { Kysely } from 'kysely';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { smallBookFile } from '@tests/support/books';
import { freshDatabase, urlOf } from '@tests/support/database';
import { designOf, serverOf } from '@tests/support/designs';
import { wantedJob } from '@tests/support/job-contract';
import { HERE, testContext } from '@tests/support/store-contract';
import { uploadOf } from '@tests/support/upload';
import { type Database } from '@/stores/schema';
import { repositories } from '@/stores/repositories';
import { inlineDesk } from '@/desk/jobs';
import { BossQueue, type DoJob } from '@/jobs';
import { askReportFile, cancelJob, jobFile, jobProgress } from '@/features/report/use/jobs';
import { editDesign } from '@/features/design/use/edit-design';
import { importBook } from '@/features/price-books/use/import-book';
import { listDesigns, refreshTotals, storeDesign } from '@/features/design/use/designs';

const OPTIONS = { variant: 'full', validUntil: null, withAgreements: false } as const;
const closing: (() => Promise<unknown>)[] = [];
afterEach(async () => {
  for (const close of closing.splice(0).reverse()) await close();
});

function queueOn(db: Kysely<Database>, file?: DoJob): BossQueue {
  const outside = testContext(repositories(db));
  const made = new BossQueue(urlOf(db), outside.jobs, {
    file: file ?? (({ what, given }, { tell }) => inlineDesk(outside).ask(what, given as never, { tell })),
    watch: async () => undefined,
    byTheClock: async () => undefined,
    review: async () => undefined,
    totals: (workspace, design) =>
      refreshTotals({ ...outside, actor: { ...outside.actor, workspace } }, design),
    failed: () => undefined,
  });
  closing.push(() => made.stop());
  return made;
}

async function set(file?: DoJob) {
  const db = await freshDatabase();
  closing.push(() => db.destroy());
  const queue = queueOn(db, file);
  const context = { ...testContext(repositories(db)), queue };
  await importBook(context, uploadOf(smallBookFile()));
  const design = designOf([serverOf('a')], { books: [{ book: 'small', revision: 3 }] });
  const id = await storeDesign(context, design);
  return { db, queue, context, id };
}

const SOON = { timeout: 20_000, interval: 50 };

describe('a queue of long work', () => {
  it('writes a report once for all who ask for the same, and anew after an edit', async () => {
    const { context, id } = await set();
    const want = { form: 'md', options: OPTIONS } as const;
    const first = await askReportFile(context, id, want);
    await vi.waitFor(async () => expect((await jobProgress(context, first.id)).state).toBe('done'), SOON);
    expect(await jobProgress(context, first.id)).toMatchObject({ done: 1, steps: 2 });
    const text = new TextDecoder().decode((await jobFile(context, first.id)).bytes);
    expect(text.replaceAll('\u00a0', ' ')).toContain('73.00');
    expect((await askReportFile(context, id, want)).id).toBe(first.id);
    const count = { edit: 'set-component', id: 'a', field: 'count', value: { likely: '2' } };
    await editDesign(context, id, { baseRevision: 0, batch: crypto.randomUUID(), edits: [count] });
    const second = await askReportFile(context, id, want);
    expect(second.id).not.toBe(first.id);
    await vi.waitFor(async () => expect((await jobProgress(context, second.id)).state).toBe('done'), SOON);
    const newer = new TextDecoder().decode((await jobFile(context, second.id)).bytes);
    expect(newer.replaceAll('\u00a0', ' ')).toContain('146.00');
  });

  it('is worked off by another process too, and stops what is called off', async () => {
    const { db, context, id } = await set();
    const ended = vi.fn();
    const other = queueOn(db, (_, { signal }) => {
      return new Promise((_resolve, reject) =>
        signal.addEventListener('abort', () => {
          ended();
          reject(new Error('over'));
        }),
      );
    });
    await context.queue.stop();
    await other.start();
    const job = await askReportFile({ ...context, queue: other }, id, { form: 'md', options: OPTIONS });
    await vi.waitFor(async () => expect((await jobProgress(context, job.id)).state).toBe('running'), SOON);
    await cancelJob(context, job.id);
    await vi.waitFor(async () => expect((await jobProgress(context, job.id)).state).toBe('cancelled'), SOON);
    expect(ended).toHaveBeenCalledOnce();
  });

  it('takes up what a killed process left', async () => {
    const { db, context } = await set(() => Promise.resolve({ name: 'x', type: 'text/plain', bytes: FILE }));
    const wanted = wantedJob();
    await context.jobs.ask(wanted, 5);
    // Another process takes it and is killed in the middle.
    const script = `
      const pg = require('pg');
      const client = new pg.Client(process.env.AT);
      client.connect()
        .then(() => client.query("update job set state = 'running', tries = tries + 1, seen_at = now() where id = $1", [process.env.JOB]))
        .then(() => console.log('taken'));
      setInterval(() => {}, 1000);`;
    const child = spawn(process.execPath, ['-e', script], {
      env: { ...process.env, AT: urlOf(db), JOB: wanted.id },
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    await new Promise((resolve) => child.stdout.once('data', resolve));
    child.kill('SIGKILL');
    expect((await context.jobs.find(HERE, wanted.id))!.state).toBe('running');
    await context.queue.start();
    const done = async () => expect((await context.jobs.find(HERE, wanted.id))!.state).toBe('done');
    await vi.waitFor(done, { timeout: 60_000, interval: 250 });
  }, 90_000);

  it('brings the totals of lists up to date, once for many edits', async () => {
    const { context, id } = await set();
    const named = (value: string, base: number) =>
      editDesign(context, id, {
        baseRevision: base,
        batch: crypto.randomUUID(),
        edits: [{ edit: 'set-component', id: 'a', field: 'count', value: { likely: value } }],
      });
    for (const [base, count] of ['3', '4', '5'].entries()) {
      await named(count, base);
      await context.queue.totalsSoon(HERE, id);
    }
    expect((await listDesigns(context))[0]!.totals).toBeNull();
    const listed = async () => expect((await listDesigns(context))[0]!.totals?.monthly).toBe('365');
    await vi.waitFor(listed, SOON);
  });
});

const FILE = new Uint8Array([1]);
