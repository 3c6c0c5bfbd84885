/** What the search over offers must do over every pair of stores. */
import { beforeEach, describe, expect, it } from 'vitest';
import { KIND_CODES } from '@/engine/books';
import { type Context, type Stores } from '@/stores/ports';
import { importBook } from '@/features/price-books/use/import-book';
import { importExchange } from '@/features/price-books/use/exchange';
import { searchOffers } from '@/features/price-books/use/books';
import { foreignBookFile, smallBookFile } from './books';
import { ELSEWHERE, testContext } from './store-contract';
import { uploadOf } from './upload';
import { wideBookFile } from './wide-book';

export function offerSearchContract(name: string, make: () => Promise<Stores>): void {
  describe(`offers ${name}`, () => {
    let context: Context;
    let other: Context;
    beforeEach(async () => {
      const stores = await make();
      context = testContext(stores);
      other = testContext(stores, ELSEWHERE);
    });

    it('are searched by kind, size, place, capability and price, cheapest first', async () => {
      await importBook(context, uploadOf(smallBookFile()));
      await importBook(context, uploadOf(wideBookFile()));
      const skus = async (query: object) => (await searchOffers(context, query)).map((each) => each.sku);
      expect(await skus({ kind: 'server', book: 'small', vcpu: '4' })).toEqual([
        'L-4',
        'O-4',
        'A-4',
        'B-4',
        'A-8',
      ]);
      expect(await skus({ kind: 'server', book: 'small', memory: '17' })).toEqual(['A-8']);
      expect(await skus({ kind: 'server', region: 'tasman' })).toEqual(['O-4', 'A-4']);
      expect(await skus({ family: 'Light duty' })).toEqual(['L-4']);
      expect(await skus({ capability: 'bring-licence' })).toEqual(['S-LICENSED']);
      // 730 h × 0.19 to 0.2
      expect(await skus({ kind: 'server', priceFrom: '138', priceTo: '147' })).toEqual(['A-8', 'S-8']);
      expect(await skus({ text: 'wide queue' })).toEqual(['QUEUE', 'QUEUE-2']);
      expect(await searchOffers(context, { kind: 'server', region: 'tasman', text: 'a-4' })).toMatchObject([
        { book: 'small', price: '146', regions: ['severn', 'tasman'], lifecycle: 'current' },
      ]);
      await expect(searchOffers(context, { kind: 'submarine' })).rejects.toMatchObject({ code: 'invalid' });
      expect(await searchOffers(other, {})).toEqual([]);
    });

    it('say where an offer is cheapest, and what a fee costs where its main meter costs nothing', async () => {
      const file = smallBookFile();
      const like = file.rates.find((rate) => rate.sku === 'A-4')!;
      const transfer = file.offers.find((offer) => offer.kind !== 'server')!;
      file.offers.push({ ...transfer, sku: 'LINE', name: 'Line', kind: 'dedicated-line' });
      const rate = (region: string, part: object) =>
        ({ ...like, sku: 'LINE', region, upfront: null, allowance: null, ...part }) as typeof like;
      for (const [region, fee] of [
        ['severn', '429'],
        ['tasman', '300'],
      ] as const) {
        file.rates.push(
          rate(region, {
            meter: 'fee',
            unit: 'month',
            charge: { structure: 'flat', amount: fee, once: false },
          }),
          rate(region, { meter: 'running', unit: 'hour', charge: { structure: 'per-unit', price: '0' } }),
          rate(region, {
            meter: 'set-up',
            unit: 'month',
            charge: { structure: 'flat', amount: '50', once: true },
          }),
        );
      }
      await importBook(context, uploadOf(file));
      const [found] = await searchOffers(context, { text: 'line', kind: 'dedicated-line' });
      expect(found).toMatchObject({ price: '300', region: 'tasman', regionName: 'Tasman' });
      const [there] = await searchOffers(context, { kind: 'dedicated-line', region: 'severn' });
      expect(there).toMatchObject({ price: '429', region: 'severn', regionName: 'Severn' });
      const [server] = await searchOffers(context, { text: 'a-4' });
      expect(server).toMatchObject({ sku: 'A-4', price: '73', region: 'severn' });
    });

    it('show some of each kind, in the order of the kinds, where nothing is asked', async () => {
      await importBook(context, uploadOf(smallBookFile()));
      await importBook(context, uploadOf(wideBookFile()));
      const found = await searchOffers(context, {});
      const kinds = [...new Set(found.map((each) => each.kind))];
      expect(kinds).toEqual(KIND_CODES.filter((kind) => kinds.includes(kind)));
      expect(kinds.length).toBeGreaterThan(10);
      for (const kind of kinds) {
        const own = found.filter((each) => each.kind === kind);
        expect(own.length).toBeLessThanOrEqual(5);
        const all = await searchOffers(context, { kind });
        expect(own.map((each) => each.sku)).toEqual(all.slice(0, 5).map((each) => each.sku));
      }
      // Whoever asks for something gets all that is asked for.
      expect((await searchOffers(context, { kind: 'server', book: 'small' })).length).toBeGreaterThan(5);
    });

    it('are sorted by what a price is worth, where the currencies have a rate', async () => {
      await importBook(context, uploadOf(smallBookFile()));
      await importBook(context, uploadOf(foreignBookFile()));
      const query = { kind: 'server', vcpu: '4', memory: '16' };
      const books = async () => (await searchOffers(context, query)).map((each) => each.book);
      // The same offers at ten times the figure.
      const plain = await books();
      expect(plain[plain.length - 1]).toBe('foreign');
      await importExchange(context, 'date,from,to,rate\n2026-11-01,SEK,USD,0.0001\n2025-11-01,SEK,USD,900\n');
      expect((await books())[0]).toBe('foreign');
      await importExchange(context, 'date,from,to,rate\n2026-11-02,SEK,USD,0.2\n');
      expect((await books())[0]).toBe('small');
    });
  });
}
