import { describe, expect, it } from 'vitest';
import { smallBookFile } from '@tests/support/books';
import { billContract } from '@tests/support/bill-contract';
import { billYearContract } from '@tests/support/bill-year-contract';
import { watchContract } from '@tests/support/watch-contract';
import { bookContract } from '@tests/support/book-contract';
import { designOf, serverOf } from '@tests/support/designs';
import { fleetContract } from '@tests/support/fleet-contract';
import { reviewContract } from '@tests/support/review-contract';
import { studyContract } from '@tests/support/study-contract';
import { jobContract } from '@tests/support/job-contract';
import { offerSearchContract } from '@tests/support/offer-search-contract';
import { libraryContract } from '@tests/support/library-contract';
import { linkContract } from '@tests/support/link-contract';
import { studyLinkContract } from '@tests/support/study-link-contract';
import { storeContract, testContext } from '@tests/support/store-contract';
import { uploadOf } from '@tests/support/upload';
import { writeDesign } from '@/features/design/format/design';
import { AppError, asAppError } from '@/platform/use/app-error';
import {
  createDesign,
  exportDesign,
  importDesign,
  listDesigns,
  openDesign,
} from '@/features/design/use/designs';
import { editDesign } from '@/features/design/use/edit-design';
import { importBook } from '@/features/price-books/use/import-book';
import { listBooks } from '@/features/price-books/use/books';
import { priceDesignOnServer } from '@/features/design/use/price-design';
import { memoryStores } from './memory-stores';

const stores = memoryStores;

storeContract('in memory', async () => stores());
bookContract('in memory', async () => stores());
offerSearchContract('in memory', async () => stores());
linkContract('in memory', async () => stores());
studyLinkContract('in memory', async () => stores());
libraryContract('in memory', async () => stores());
fleetContract('in memory', async () => stores());
studyContract('in memory', async () => stores());
jobContract('in memory', async () => stores());
reviewContract('in memory', async () => stores());
billContract('in memory', async () => stores());
watchContract('in memory', async () => stores());
billYearContract('in memory', async () => stores());

describe('roles', () => {
  it('a viewer reads and changes nothing', async () => {
    const editor = testContext(stores());
    const viewer = { ...editor, actor: { ...editor.actor, role: 'viewer' as const } };
    const id = await importDesign(editor, writeDesign(designOf([serverOf('a')])));
    await expect(openDesign(viewer, id)).resolves.toMatchObject({ revision: 0 });
    const batch = {
      baseRevision: 0,
      batch: crypto.randomUUID(),
      edits: [{ edit: 'remove-component', id: 'a' }],
    };
    await expect(editDesign(viewer, id, batch)).rejects.toMatchObject({ code: 'forbidden' });
    await expect(createDesign(viewer, 'Mine')).rejects.toMatchObject({ code: 'forbidden' });
    await expect(importBook(viewer, uploadOf(smallBookFile()))).rejects.toMatchObject({
      code: 'forbidden',
    });
    expect(await listDesigns(viewer)).toHaveLength(1);
    expect(await listBooks(viewer)).toEqual([]);
  });
});

describe('the same number everywhere', () => {
  it('in the list, in the CSV and in the JSON', async () => {
    const context = testContext(stores());
    await importBook(context, uploadOf(smallBookFile()));
    const id = await importDesign(
      context,
      writeDesign(
        designOf([serverOf('a', { count: { likely: '3' } })], { books: [{ book: 'small', revision: 3 }] }),
      ),
    );
    const summary = await priceDesignOnServer(context, (await openDesign(context, id)).design);
    const csv = await exportDesign(context, id, 'csv');
    const json = JSON.parse((await exportDesign(context, id, 'json')).text) as {
      priced: { printed: string };
    };
    expect(summary.printed).toBe('219');
    expect((await listDesigns(context))[0]?.totals?.monthly).toBe('219');
    expect(csv.text).toContain('219.00');
    expect(csv.name).toBe('test-design.csv');
    expect(json.priced.printed).toBe('219');
  });
});

describe('errors', () => {
  it('never let inner details out', () => {
    const error = asAppError(new Error('password=secret at /home/x'));
    expect(error).toMatchObject({ code: 'internal' });
    expect(JSON.stringify(error.outside())).not.toContain('secret');
  });

  it('say when the database does not answer', () => {
    const refused = Object.assign(new Error('connect'), { code: 'ECONNREFUSED' });
    expect(asAppError(refused).code).toBe('unavailable');
    expect(asAppError(new AppError('stale', 'x')).code).toBe('stale');
  });
});
