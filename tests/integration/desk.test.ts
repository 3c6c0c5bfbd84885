/** The thread itself, bundled as it is for the application, on a database. */
import { Worker } from 'node:worker_threads';
import { afterEach, describe, expect, it } from 'vitest';
import { freshDatabase, urlOf } from '@tests/support/database';
import { smallBookFile } from '@tests/support/books';
import { designOf, serverOf } from '@tests/support/designs';
import { testContext } from '@tests/support/store-contract';
import { uploadOf } from '@tests/support/upload';
import { repositories } from '@/stores/repositories';
import { ThreadDesk } from '@/desk/threads';
import { writeDesign } from '@/features/design/format/design';
import { importBook } from '@/features/price-books/use/import-book';
import { importDesign } from '@/features/design/use/designs';
import { ensureDesk } from '../../scripts/lib/desk';

const options = { variant: 'full', validUntil: null, withAgreements: false } as const;
let end: () => Promise<unknown> = async () => undefined;
afterEach(() => end());

describe('the thread beside the application', () => {
  it('prices, reports and writes in every form; refusals come back as they are', async () => {
    const db = await freshDatabase();
    const context = testContext(repositories(db));
    await importBook(context, uploadOf(smallBookFile()));
    const design = designOf([serverOf('a'), serverOf('b')], { books: [{ book: 'small', revision: 3 }] });
    const id = await importDesign(context, writeDesign(design));
    const program = await ensureDesk();
    const threads: Worker[] = [];
    const desk = new ThreadDesk({
      start: () => {
        const thread = new Worker(program, { env: { ...process.env, DATABASE_URL: urlOf(db) } });
        threads.push(thread);
        return thread;
      },
      patience: 60_000,
      most: { team: 9, stranger: 9, background: 9 },
    });
    end = async () => {
      await Promise.all(threads.map((thread) => thread.terminate()));
      await db.destroy();
    };
    const { actor } = context;
    expect((await desk.ask('summary', { workspace: actor.workspace, design })).printed).toBe('146');
    const { report } = await desk.ask('report', { actor, id, options });
    expect(report.total.monthly).toBe('146.00');
    const begins: Record<string, string> = { pdf: '%PDF', xlsx: 'PK', md: '# ', json: '{' };
    for (const form of ['pdf', 'xlsx', 'md', 'json'] as const) {
      const file = await desk.ask('report-file', { actor, id, options, form });
      expect(new TextDecoder('latin1').decode(file.bytes)).toMatch(new RegExp(`^${begins[form]!}`));
    }
    const elsewhere = { ...actor, workspace: '00000000-0000-4000-8000-00000000eeee' };
    await expect(desk.ask('report', { actor: elsewhere, id, options })).rejects.toMatchObject({
      code: 'not-found',
    });
    await expect(desk.ask('linked', { token: 'x' })).rejects.toMatchObject({ code: 'not-found' });
    expect(threads).toHaveLength(1);
  });
});
