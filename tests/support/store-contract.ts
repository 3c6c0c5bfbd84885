/** What every pair of stores must do, in memory or in PostgreSQL: run once for each. */
import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { KIND_CODES } from '@/engine/books';
import { writeDesign } from '@/features/design/format/design';
import { type Context, type Stores } from '@/stores/ports';
import {
  copyDesign,
  createDesign,
  deleteDesign,
  importDesign,
  listDesigns,
  openDesign,
  refreshTotals,
  restoreDesign,
} from '@/features/design/use/designs';
import { designAt, designHistory, savedSince } from '@/features/design/use/history';
import { editDesign } from '@/features/design/use/edit-design';
import { findOffers, listBooks, readCatalogue, readRates } from '@/features/price-books/use/books';
import { importBook } from '@/features/price-books/use/import-book';
import { smallBookFile } from './books';
import { designOf, serverOf } from './designs';
import { uploadOf } from './upload';

const EVERYTHING = [{ region: 'severn', skus: [], kinds: KIND_CODES }];

export const HERE = '00000000-0000-4000-8000-00000000000a';
export const ELSEWHERE = '00000000-0000-4000-8000-00000000000b';

export function testContext(stores: Stores, workspace = HERE): Context {
  return {
    actor: { user: 'ada', workspace, role: 'editor' },
    ...stores,
    now: () => new Date(),
    newId: randomUUID,
  };
}

const rename = (name: string) => ({ edit: 'set-component', id: 'a', field: 'name', value: name });
const batchOf = (baseRevision: number, ...edits: object[]) => ({ baseRevision, batch: randomUUID(), edits });

/** `make` gives empty stores that know the workspaces `HERE` and `ELSEWHERE`. */
export function storeContract(name: string, make: () => Promise<Stores>): void {
  describe(`stores ${name}`, () => {
    let context: Context;
    let other: Context;
    beforeEach(async () => {
      const stores = await make();
      context = testContext(stores);
      other = testContext(stores, ELSEWHERE);
    });
    const imported = () =>
      importDesign(
        context,
        writeDesign(designOf([serverOf('a'), serverOf('b')], { books: [{ book: 'small', revision: 3 }] })),
      );
    const book = (change: (file: ReturnType<typeof smallBookFile>) => void = () => undefined): string => {
      const file = smallBookFile();
      change(file);
      return JSON.stringify(file);
    };

    it('publish a book and give back its regions, offers, availability and rates', async () => {
      await importBook(context, uploadOf(book()));
      expect(await listBooks(context)).toMatchObject([
        {
          key: 'small',
          currency: 'USD',
          revisions: [{ number: 3, effective: '2026-11-01', rates: 18, offers: 9, regions: 3 }],
        },
      ]);
      const catalogue = await readCatalogue(context, 'small', 3);
      expect(catalogue.availability['A-4']).toEqual(['severn', 'tasman']);
      expect(catalogue.offers.map((offer) => offer.sku).sort()).toEqual(
        smallBookFile()
          .offers.map((offer) => offer.sku)
          .sort(),
      );
      const rates = await readRates(context, 'small', 3, EVERYTHING);
      const expected = smallBookFile().rates.filter((rate) => rate.region === 'severn');
      const key = (rate: { sku: string; meter: string; term: string }): string =>
        `${rate.sku} ${rate.meter} ${rate.term}`;
      expect([...rates].sort((a, b) => (key(a) < key(b) ? -1 : 1))).toEqual(
        expected.sort((a, b) => (key(a) < key(b) ? -1 : 1)),
      );
    });

    it('never change a published revision; a newer one stands beside it', async () => {
      await importBook(context, uploadOf(book()));
      await expect(
        importBook(
          context,
          uploadOf(book((file) => (file.rates[0]!.charge = { structure: 'per-unit', price: '9' }))),
        ),
      ).rejects.toMatchObject({ code: 'conflict' });
      await importBook(context, uploadOf(book((file) => (file.revision.number = 4))));
      expect((await listBooks(context))[0]?.revisions.map((revision) => revision.number)).toEqual([4, 3]);
      const rates = await readRates(context, 'small', 3, EVERYTHING);
      expect(rates.find((rate) => rate.sku === 'A-2')?.charge).toEqual({
        structure: 'per-unit',
        price: '0.06',
      });
    });

    it('keep nothing of a refused book', async () => {
      await expect(
        importBook(context, uploadOf(book((file) => (file.rates[5]!.region = 'moon')))),
      ).rejects.toMatchObject({
        code: 'invalid',
        detail: { faults: [{ path: 'rates[5].region' }] },
      });
      expect(await listBooks(context)).toEqual([]);
    });

    it('find offers by every word, in the newest revisions of their own workspace', async () => {
      await importBook(context, uploadOf(book()));
      await importBook(
        context,
        uploadOf(
          book((file) => {
            file.revision.number = 4;
            file.offers[0]!.name = 'renamed 100%';
          }),
        ),
      );
      const skus = async (text: string, who = context) =>
        (await findOffers(who, text)).map((offer) => offer.sku);
      expect(await skus('a-4')).toEqual(['A-4']);
      expect(await skus('balanced -4')).toEqual(['O-4', 'A-4', 'B-4']);
      expect(await skus('RENAMED')).toEqual(['A-2']);
      expect(await skus('100%')).toEqual(['A-2']);
      expect(await skus('a-2%b')).toEqual([]);
      expect(await skus('x')).toEqual([]);
      expect(await skus('a-4', other)).toEqual([]);
    });

    it('pin a new design to the newest revisions', async () => {
      await importBook(context, uploadOf(book()));
      const id = await createDesign(context, 'Fresh');
      expect((await openDesign(context, id)).design.books).toEqual([{ book: 'small', revision: 3 }]);
    });

    it('save edits as revisions and price the design for lists', async () => {
      await importBook(context, uploadOf(book()));
      const id = await imported();
      expect((await listDesigns(context))[0]?.totals).toMatchObject({ monthly: '146', unpriced: 0 });
      const saved = await editDesign(context, id, batchOf(0, { edit: 'remove-component', id: 'b' }));
      expect(saved.revision).toBe(1);
      expect((await listDesigns(context))[0]!.totals).toBeNull();
      await refreshTotals(context, id);
      expect(await listDesigns(context)).toMatchObject([
        { revision: 1, components: 1, totals: { monthly: '73' } },
      ]);
    });

    it('refuse a stale edit with what changed meanwhile, and change nothing', async () => {
      const id = await imported();
      await editDesign(context, id, batchOf(0, rename('Theirs')));
      const mine = editDesign(context, id, batchOf(0, rename('Mine')));
      await expect(mine).rejects.toMatchObject({
        code: 'stale',
        detail: {
          since: { revision: 1, batches: [{ revision: 1, user: 'ada', edits: [rename('Theirs')] }] },
        },
      });
      expect((await openDesign(context, id)).design.sections[0]?.components[0]?.name).toBe('Theirs');
    });

    it('answer a batch that was already saved as saved, once', async () => {
      const id = await imported();
      const batch = batchOf(0, rename('Once'));
      const first = await editDesign(context, id, batch);
      expect(await editDesign(context, id, batch)).toMatchObject({ revision: first.revision });
      expect((await openDesign(context, id)).revision).toBe(1);
    });

    it('let one of two simultaneous edits win and refuse the other', async () => {
      const id = await imported();
      const both = await Promise.allSettled([
        editDesign(context, id, batchOf(0, rename('One'))),
        editDesign(context, id, batchOf(0, rename('Two'))),
      ]);
      expect(both.map((each) => each.status).sort()).toEqual(['fulfilled', 'rejected']);
      expect((await openDesign(context, id)).revision).toBe(1);
    });

    it('refuse an edit of something that is gone, whole', async () => {
      const id = await imported();
      const edits = batchOf(0, rename('Kept back'), { edit: 'remove-component', id: 'nobody' });
      await expect(editDesign(context, id, edits)).rejects.toMatchObject({ code: 'invalid' });
      expect((await openDesign(context, id)).design.sections[0]?.components[0]?.name).toBe('Component a');
    });

    it('copy, delete and restore', async () => {
      const id = await imported();
      const copy = await copyDesign(context, id);
      expect((await openDesign(context, copy)).design.title).toBe('Test design (copy)');
      await deleteDesign(context, id);
      expect((await listDesigns(context)).map((design) => design.id)).toEqual([copy]);
      await expect(openDesign(context, id)).rejects.toMatchObject({ code: 'not-found' });
      await expect(deleteDesign(context, id)).rejects.toMatchObject({ code: 'not-found' });
      await restoreDesign(context, id);
      expect(await listDesigns(context)).toHaveLength(2);
    });

    it('answer “not found” to another workspace, for every act', async () => {
      await importBook(context, uploadOf(book()));
      const id = await imported();
      const acts: (() => Promise<unknown>)[] = [
        () => openDesign(other, id),
        () => editDesign(other, id, batchOf(0, rename('x'))),
        () => copyDesign(other, id),
        () => deleteDesign(other, id),
        () => restoreDesign(other, id),
        () => readCatalogue(other, 'small', 3),
        () => readRates(other, 'small', 3, EVERYTHING),
      ];
      for (const act of acts) await expect(act()).rejects.toMatchObject({ code: 'not-found' });
      expect(await listDesigns(other)).toEqual([]);
      expect(await listBooks(other)).toEqual([]);
      expect((await openDesign(context, id)).revision).toBe(0);
    });

    it('answer “not found” to an id that is no id', async () => {
      await expect(openDesign(context, "1' or '1'='1")).rejects.toMatchObject({ code: 'not-found' });
      await expect(editDesign(context, 'x', batchOf(0, rename('x')))).rejects.toMatchObject({
        code: 'not-found',
      });
    });

    it('remember every revision: who, when, what, and the design as it was', async () => {
      const id = await imported();
      const first = (await openDesign(context, id)).design;
      for (const [base, name] of ['One', 'Two', 'Three'].entries()) {
        await editDesign(context, id, batchOf(base, rename(name)));
      }
      const rows = await designHistory(context, id, null);
      expect(rows.map((row) => [row.revision, row.user])).toEqual([
        [3, 'ada'],
        [2, 'ada'],
        [1, 'ada'],
      ]);
      expect(rows[0]!.edits).toEqual([rename('Three')]);
      expect((await designHistory(context, id, 3)).map((row) => row.revision)).toEqual([2, 1]);
      expect(await designAt(context, id, 0)).toEqual(first);
      expect((await designAt(context, id, 2)).sections[0]!.components[0]!.name).toBe('Two');
      expect(await designAt(context, id, 3)).toEqual((await openDesign(context, id)).design);
      const since = await savedSince(context, id, 1);
      expect([since.revision, since.batches.map((batch) => batch.revision)]).toEqual([3, [2, 3]]);
      expect(JSON.stringify(since)).not.toContain('inverse');
      const missing = { code: 'not-found' };
      await expect(designAt(context, id, 4)).rejects.toMatchObject(missing);
      await expect(designHistory(other, id, null)).rejects.toMatchObject(missing);
      await expect(designAt(other, id, 0)).rejects.toMatchObject(missing);
      await expect(savedSince(other, id, 0)).rejects.toMatchObject(missing);
    });
  });
}
