import { beforeEach, describe, expect, it } from 'vitest';
import { smallBookFile } from '@tests/support/books';
import { designOf, serverOf } from '@tests/support/designs';
import { quayStudy } from '@tests/support/studies';
import { testContext } from '@tests/support/store-contract';
import { uploadOf } from '@tests/support/upload';
import { writeDesign } from '@/features/design/format/design';
import { type Context } from '@/stores/ports';
import { createLink } from '@/features/report/use/links';
import { createStudyLink } from '@/features/own-or-rent/use/study-links';
import { importBook } from '@/features/price-books/use/import-book';
import { importDesign } from '@/features/design/use/designs';
import { readReport } from '@/features/report/use/report';
import { readStudyReport } from '@/features/own-or-rent/use/study-file';
import { storeStudy } from '@/features/own-or-rent/use/studies';
import { memoryStores } from '@/stores/memory-stores';
import { inlineDesk, workersOn } from './jobs';

const options = { variant: 'full', validUntil: null, withAgreements: false } as const;

let context: Context;
let id = '';
let token = '';
let tokenHash = '';
beforeEach(async () => {
  context = testContext(memoryStores());
  await importBook(context, uploadOf(smallBookFile()));
  const design = designOf([serverOf('a'), serverOf('b')], { books: [{ book: 'small', revision: 3 }] });
  id = await importDesign(context, writeDesign(design));
  const made = await createLink(context, id, { options, pinned: false, expires: null });
  token = made.token;
  tokenHash = made.link.tokenHash;
});

describe('jobs', () => {
  it('are reports in plain data, the same for the team, for a link and for a file', async () => {
    const desk = inlineDesk(context);
    const shown = await desk.ask('report', { actor: context.actor, id, options });
    const linked = await desk.ask('linked', { token });
    expect(structuredClone(shown)).toEqual(shown);
    expect([shown.report.total.monthly, shown.revision]).toEqual(['146.00', 0]);
    expect(linked.report).toEqual(shown.report);
    expect(linked.explained).toEqual(['a', 'b']);
    const file = await desk.ask('linked-file', { tokenHash, form: 'json' });
    expect(file.name).toMatch(/-full\.json$/);
    expect(JSON.parse(new TextDecoder().decode(file.bytes))).toEqual(shown.report);
    expect(await desk.ask('linked-trace', { token, line: 'a' })).toMatchObject({ operation: 'product' });
  });

  it('show and write a study for a link as for its own people', async () => {
    const study = await storeStudy(context, quayStudy());
    const made = await createStudyLink(context, study, { pinned: false, expires: null });
    const desk = inlineDesk(context);
    const page = await desk.ask('linked-study', { token: made.token });
    expect(structuredClone(page)).toEqual(page);
    expect(page.report).toEqual((await readStudyReport(context, study)).report);
    const ours = await desk.ask('study-file', { actor: context.actor, id: study, form: 'md' });
    const theirs = await desk.ask('linked-study-file', { tokenHash: made.link.tokenHash, form: 'md' });
    expect(new TextDecoder().decode(theirs.bytes)).toBe(new TextDecoder().decode(ours.bytes));
    expect(theirs.name).toBe('quay.md');
  }, 60_000);

  it('print up to a length, and say what else there is beyond it', async () => {
    const workers = workersOn(context, { team: 2, stranger: 1 });
    const beyond = { code: 'too-large', message: expect.stringContaining('at most 1 lines') as string };
    await expect(workers['linked-file']({ tokenHash, form: 'pdf' })).rejects.toMatchObject(beyond);
    expect((await workers['linked-file']({ tokenHash, form: 'md' })).bytes.length).toBeGreaterThan(100);
    const ours = await workers['report-file']({ actor: context.actor, id, options, form: 'pdf' });
    expect(new TextDecoder('latin1').decode(ours.bytes.slice(0, 5))).toBe('%PDF-');
  });

  it('work the same report out once, and another one for anything that differs', async () => {
    const first = await readReport(context, id, options);
    expect((await readReport(context, id, options)).report).toBe(first.report);
    const quotation = await readReport(context, id, { ...options, variant: 'quotation' });
    expect(quotation.report).not.toBe(first.report);
    const other = await importDesign(
      context,
      writeDesign(designOf([serverOf('a', { count: { likely: '9' } })], { books: first.plan.design.books })),
    );
    expect((await readReport(context, other, options)).report.total.monthly).toBe('657.00');
    // Room for some thousand lines: the oldest goes.
    const many = Array.from({ length: 1300 }, (_, at) => serverOf(`s${at}`));
    for (const title of ['One', 'Two']) {
      const long = designOf(many, { title, books: first.plan.design.books });
      await readReport(context, await importDesign(context, writeDesign(long)), options);
    }
    const again = await readReport(context, id, options);
    expect(again.report).not.toBe(first.report);
    expect(again.report).toEqual(first.report);
  }, 120_000);
});
