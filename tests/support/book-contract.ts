/** What every store of books, imports and exchange rates must do, in memory or in PostgreSQL: run once for each. */
import { beforeEach, describe, expect, it } from 'vitest';
import { cancelImport, importBook, importProgress } from '@/features/price-books/use/import-book';
import {
  compareRevisions,
  exportBook,
  listBooks,
  readOffer,
  searchOffers,
} from '@/features/price-books/use/books';
import { type Context, type Stores } from '@/stores/ports';
import { importExchange, listExchange } from '@/features/price-books/use/exchange';
import { type Upload } from '@/platform/use/tracked-import';
import { BAD_BOOKS } from './bad-books';
import { foreignBookFile, smallBookFile } from './books';
import { ELSEWHERE, testContext } from './store-contract';
import { bytesOf, packed, readAll, textOf } from './streams';
import { uploadOf } from './upload';
import { wideBookFile } from './wide-book';

export function bookContract(name: string, make: () => Promise<Stores>): void {
  describe(`books ${name}`, () => {
    let context: Context;
    let other: Context;
    beforeEach(async () => {
      const stores = await make();
      context = testContext(stores);
      other = testContext(stores, ELSEWHERE);
    });

    it('give back by export exactly what was imported, also with every rare field', async () => {
      await importBook(context, uploadOf(packed(JSON.stringify(wideBookFile()))));
      const { chunks, name: file } = await exportBook(context, 'wide', 1, 'json');
      const { kept, faults } = await readAll(await textOf(chunks));
      expect([file, faults]).toEqual(['wide-1.json', []]);
      const key = (row: { sku: string; region: string; meter: string; term: string }) =>
        [row.region, row.sku, row.meter, row.term].join('\n');
      const byKey = <T extends Parameters<typeof key>[0]>(rows: readonly T[]) =>
        [...rows].sort((a, b) => (key(a) < key(b) ? -1 : 1));
      expect(byKey(kept.rates)).toEqual(byKey(wideBookFile().rates));
      const bySku = <T extends { sku: string }>(rows: readonly T[]) =>
        [...rows].sort((a, b) => (a.sku < b.sku ? -1 : 1));
      expect(bySku(kept.offers)).toEqual(bySku(wideBookFile().offers));
    });

    it('are exported as flat CSV only where nothing is lost', async () => {
      await importBook(context, uploadOf(smallBookFile()));
      await importBook(context, uploadOf(wideBookFile()));
      const { chunks } = await exportBook(context, 'small', 3, 'csv');
      const { kept } = await readAll(await textOf(chunks));
      expect(kept.rates).toHaveLength(smallBookFile().rates.length);
      const again = (await textOf((await exportBook(context, 'small', 3, 'csv')).chunks)).replaceAll(
        ',3,2026-11-01,',
        ',4,2026-11-01,',
      );
      await importBook(context, uploadOf(again, 500));
      expect(await compareRevisions(context, 'small', 3, 4)).toMatchObject({ ratesChanged: 0, ratesGone: 0 });
      await expect(exportBook(context, 'wide', 1, 'csv')).rejects.toThrow(
        /would lose something of \d+ rates/,
      );
    });

    it.each(BAD_BOOKS)('keep nothing of a bad one: %s', async (_, data) => {
      await expect(importBook(context, uploadOf(data, 65_536))).rejects.toMatchObject({ code: 'invalid' });
      expect(await listBooks(context)).toEqual([]);
      expect(await searchOffers(context, { text: 's' })).toEqual([]);
    });

    it('show an import’s progress and what became of it', async () => {
      const upload = uploadOf(smallBookFile());
      await importBook(context, upload);
      expect(await importProgress(context, upload.id)).toMatchObject({
        state: 'done',
        rates: 18,
        outcome: { book: { key: 'small', revision: 3 } },
      });
      const bad = uploadOf('{"format":1}');
      await importBook(context, bad).catch(() => undefined);
      const { state, outcome } = await importProgress(context, bad.id);
      expect(state).toBe('refused');
      expect(outcome?.faults?.length).toBeGreaterThan(0);
      await expect(importProgress(other, bad.id)).rejects.toMatchObject({ code: 'not-found' });
    });

    it('stop an import that is cancelled, and keep nothing of it', async () => {
      const text = JSON.stringify(smallBookFile());
      const plain = uploadOf(text);
      let clock = 0;
      const slow: Context = { ...context, now: () => new Date((clock += 500)) };
      async function* source(): AsyncGenerator<Uint8Array> {
        let chunks = 0;
        for await (const chunk of bytesOf(text, 500)) {
          yield chunk;
          chunks += 1;
          if (chunks === 4) await cancelImport(context, plain.id);
        }
      }
      const upload: Upload = { ...plain, source: source() };
      await expect(importBook(slow, upload)).rejects.toThrow(/cancelled/);
      expect(await listBooks(context)).toEqual([]);
      expect((await importProgress(slow, plain.id)).state).toBe('cancelled');
      await expect(cancelImport(context, plain.id)).rejects.toMatchObject({ code: 'not-found' });
    });

    it('keep nothing of an upload that breaks off', async () => {
      const text = JSON.stringify(wideBookFile());
      async function* source(): AsyncGenerator<Uint8Array> {
        let chunks = 0;
        for await (const chunk of bytesOf(text, 500)) {
          chunks += 1;
          if (chunks === 20) throw new Error('connection lost');
          yield chunk;
        }
      }
      const upload: Upload = { ...uploadOf(text), source: source() };
      await expect(importBook(context, upload)).rejects.toThrow('connection lost');
      expect(await listBooks(context)).toEqual([]);
      expect((await importProgress(context, upload.id)).state).toBe('refused');
      // The same book comes in afterwards as if nothing had been.
      await importBook(context, uploadOf(text));
      expect(await listBooks(context)).toHaveLength(1);
    });

    it('take no more than three imports at once', async () => {
      let release = (): void => undefined;
      const held = new Promise<void>((resolve) => (release = resolve));
      async function* waiting(): AsyncGenerator<Uint8Array> {
        await held;
        yield* bytesOf('{}');
      }
      const three = [1, 2, 3].map(() =>
        importBook(context, { ...uploadOf('{}'), source: waiting() }).catch(() => undefined),
      );
      await expect(importBook(context, uploadOf('{}'))).rejects.toMatchObject({ code: 'unavailable' });
      release();
      await Promise.all(three);
      await expect(importBook(context, uploadOf('{}'))).rejects.toMatchObject({ code: 'invalid' });
    });

    it('tell of an import whose process died that it was broken off', async () => {
      const id = '00000000-0000-4000-8000-000000000001';
      const at = new Date(Date.now() - 120_000);
      await context.imports.begin(context.actor.workspace, { id, fileName: 'f', bytesTotal: null }, at);
      expect(await importProgress(context, id)).toMatchObject({ state: 'refused' });
    });

    it('tell everything about an offer: rates in all regions, counterparts elsewhere', async () => {
      await importBook(context, uploadOf(smallBookFile()));
      await importBook(context, uploadOf(wideBookFile()));
      await importBook(context, uploadOf(foreignBookFile()));
      const sheet = await readOffer(context, 'small', 3, 'A-4');
      expect(sheet.rates.map((rate) => `${rate.region} ${rate.term}`).sort()).toEqual([
        'severn 12-all',
        'severn 12-none',
        'severn 12-part',
        'severn 36-part',
        'severn on-demand',
        'tasman on-demand',
      ]);
      const wide = sheet.counterparts.filter((each) => each.book === 'wide');
      expect(wide.map((each) => [each.sku, each.against])).toEqual([
        ['S-4', '0'],
        ['S-SUSTAIN', '0'],
      ]);
      // Another currency is not compared.
      expect(sheet.counterparts.find((each) => each.book === 'foreign')?.against).toBeNull();
      await expect(readOffer(other, 'small', 3, 'A-4')).rejects.toMatchObject({ code: 'not-found' });
    });

    it('tell what differs between two revisions', async () => {
      await importBook(context, uploadOf(wideBookFile()));
      const file = wideBookFile();
      file.revision.number = 2;
      file.rates[0]!.charge = { structure: 'per-unit', price: '0.11' };
      const gone = file.rates.filter((rate) => rate.sku === 'VOL').length;
      file.rates = file.rates.filter((rate) => rate.sku !== 'VOL');
      file.offers = file.offers.filter((each) => each.sku !== 'VOL');
      file.offers[0]!.lifecycle = 'retiring';
      file.offers.push({ ...file.offers[1]!, sku: 'S-16', name: 's-16' });
      file.rates.push({ ...file.rates[0]!, sku: 'S-16' });
      const stepped = file.rates.find((rate) => rate.charge.structure === 'stepped')!;
      stepped.minimums = { each: '1', count: null, total: null, keptDays: null };
      await importBook(context, uploadOf(file));
      const difference = await compareRevisions(context, 'wide', 1, 2);
      expect(difference.offersAdded.map((each) => each.sku)).toEqual(['S-16']);
      expect(difference.offersGone.map((each) => each.sku)).toEqual(['VOL']);
      expect(
        difference.offersChanged.map(({ before, after }) => [before.lifecycle, after.lifecycle]),
      ).toEqual([['current', 'retiring']]);
      expect([difference.ratesAdded, difference.ratesGone, difference.ratesChanged]).toEqual([1, gone, 2]);
      const changed = difference.rates.find((each) => each.before?.sku === 'S-4')!;
      expect([changed.before!.charge, changed.after!.charge]).toMatchObject([
        { price: '0.1' },
        { price: '0.11' },
      ]);
      const rare = difference.rates.find((each) => each.before?.sku === 'BACKUP')!;
      expect([rare.before!.minimums, rare.after!.minimums?.each]).toEqual([undefined, '1']);
      expect(await compareRevisions(context, 'wide', 1, 1)).toMatchObject({ ratesChanged: 0, rates: [] });
      await expect(compareRevisions(context, 'wide', 1, 9)).rejects.toMatchObject({ code: 'not-found' });
    });

    it('keep exchange rates by date, newest first, all rows or none', async () => {
      const rows = 'date,from,to,rate\n2026-10-01,USD,EUR,0.91\n2026-11-01,USD,EUR,0.92\n';
      expect(await importExchange(context, rows)).toBe(2);
      await importExchange(context, 'date,from,to,rate\n2026-11-01,USD,EUR,0.925\n');
      expect(await listExchange(context)).toEqual([
        { date: '2026-11-01', from: 'USD', to: 'EUR', rate: '0.925' },
        { date: '2026-10-01', from: 'USD', to: 'EUR', rate: '0.91' },
      ]);
      const bad =
        'date,from,to,rate\n2026-12-01,USD,EUR,0.9\n2026-12-01,USD,USD,1\n2026-12-02,USD,EUR,"0,9"\n';
      await expect(importExchange(context, bad)).rejects.toMatchObject({
        code: 'invalid',
        detail: { faults: [{ line: 3 }, { line: 4, path: 'rate' }] },
      });
      await expect(importExchange(context, 'when;what\n1;2\n')).rejects.toMatchObject({ code: 'invalid' });
      expect(await listExchange(context)).toHaveLength(2);
      expect(await listExchange(other)).toEqual([]);
    });
  });
}
