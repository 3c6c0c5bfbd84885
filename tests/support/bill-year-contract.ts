/** What periods beside one another must do over every pair of stores: a year, notes, commitments, projections tried before. */
import { beforeEach, describe, expect, it } from 'vitest';
import { addAll, decimal } from '@/engine/base';
import { daysOfPeriod, usualError } from '@/features/bills/calc';
import { writeDesign } from '@/features/design/format/design';
import { billYears } from '@/features/bills/use/bill-year';
import {
  closePeriod,
  deleteBill,
  linkBillDesign,
  noteBillLine,
  openBill,
  reopenPeriod,
} from '@/features/bills/use/bills';
import { type Context, type Stores } from '@/stores/ports';
import { importBill } from '@/features/bills/use/import-bill';
import { importBook } from '@/features/price-books/use/import-book';
import { importDesign } from '@/features/design/use/designs';
import { viewBill } from '@/features/bills/use/bill-view';
import { billText, billUpload, HEAD, rowOf } from './bills';
import { smallBookFile } from './books';
import { designOf, serverOf } from './designs';
import { ELSEWHERE, testContext } from './store-contract';
import { uploadOf } from './upload';

const MONTHS = [
  { from: '2026-09-01', to: '2026-10-01' },
  { from: '2026-10-01', to: '2026-11-01' },
  { from: '2026-11-01', to: '2026-12-01' },
];

export function billYearContract(name: string, make: () => Promise<Stores>): void {
  describe(`periods of bills ${name}`, () => {
    let context: Context;
    let other: Context;
    beforeEach(async () => {
      const stores = await make();
      context = testContext(stores);
      other = testContext(stores, ELSEWHERE);
    });
    /** Ten a day; in October twice as much from the sixteenth on; November is known for ten days. */
    const bring = async (): Promise<string[]> => {
      const ids: string[] = [];
      for (const [at, period] of MONTHS.entries()) {
        const days = daysOfPeriod(period).slice(0, at === 2 ? 10 : undefined);
        const rows = days.map((day, index) => {
          const cost = at === 1 && index >= 15 ? '20' : '10';
          return rowOf({ day, billed: cost, effective: cost, quantity: '24' });
        });
        const fee = rowOf({
          ...{ day: period.from, category: 'Purchase', service: 'Support', sku: 'CARE', unit: '' },
          ...{ billed: '5.5', effective: '5.5', quantity: null },
        });
        const text = billText([...rows, ...(at === 0 ? [] : [fee])], { ...HEAD, ...period });
        ids.push((await importBill(context, billUpload(text))).bills[0]!.id);
      }
      return ids;
    };

    it('stand beside one another by service, to the cent, with what a design expects of each', async () => {
      const ids = await bring();
      const [year, ...others] = await billYears(context);
      expect(others).toEqual([]);
      expect(year!.periods.map(({ id, from, isOpen, expected }) => [id, from, isOpen, expected])).toEqual([
        [ids[0], '2026-09-01', false, null],
        [ids[1], '2026-10-01', false, null],
        [ids[2], '2026-11-01', true, null],
      ]);
      expect(
        year!.services.map(({ service, effective }) => [
          service,
          effective.map((each) => each && decimal(each).toString()),
        ]),
      ).toEqual([
        ['Servers', ['300', '470', '100']],
        ['Support', [null, '5.5', '5.5']],
      ]);
      year!.periods.forEach(({ effective, billed }, at) => {
        const sum = (of: 'effective' | 'billed') =>
          addAll(year!.services.map((each) => decimal(each[of][at] ?? '0')));
        expect([sum('effective').equals(effective), sum('billed').equals(billed)]).toEqual([true, true]);
      });
      await importBook(context, uploadOf(smallBookFile()));
      const design = designOf([serverOf('web')], { books: [{ book: 'small', revision: 3 }] });
      await linkBillDesign(context, ids[0]!, await importDesign(context, writeDesign(design)));
      const [held] = await billYears(context);
      // 0.1 an hour, by the calendar: 720, 744 and 720 hours.
      expect(held!.periods.map(({ expected }) => expected)).toEqual(['72', '74.4', '72']);
      expect(await billYears(other)).toEqual([]);
    });

    it('follow a file that comes again, and a bill that is deleted', async () => {
      const ids = await bring();
      const rows = [rowOf({ day: '2026-09-01', service: 'Store', billed: '3', effective: '2' })];
      await importBill(context, billUpload(billText(rows, { ...HEAD, ...MONTHS[0]! })));
      const [year] = await billYears(context);
      expect(
        year!.services
          .find(({ service }) => service === 'Store')!
          .billed.map((each) => each && decimal(each).toString()),
      ).toEqual(['3', null, null]);
      expect(year!.services.find(({ service }) => service === 'Servers')!.effective[0]).toBeNull();
      await deleteBill(context, ids[1]!);
      expect((await billYears(context))[0]!.periods.map(({ from }) => from)).toEqual([
        '2026-09-01',
        '2026-11-01',
      ]);
    });

    it('say how far off a projection would have been, when as many days were known', async () => {
      const ids = await bring();
      const { tested, close } = await viewBill(context, ids[2]!);
      // After ten days both would have been taken for ten a day.
      expect(tested.map(({ from, likely, actual, off }) => [from, likely, actual, off])).toEqual([
        ['2026-09-01', '300', '300', '0'],
        ['2026-10-01', '315.5', '475.5', '-0.336488'],
      ]);
      expect(usualError(tested)).toBe('0.336488');
      // The second is told with what the first was off by, this one with both: none, and 0.8 of what was to come.
      expect(tested.map(({ beside, isWithin }) => [beside, isWithin])).toEqual([
        ['0', true],
        ['0.761905', false],
      ]);
      expect(close).toMatchObject({ rangeOf: 2 });
      expect(await viewBill(context, ids[0]!)).toMatchObject({ tested: [], close: { rangeOf: 0 } });
    });

    it('are tried with what is charged for days before them, as it is charged within them', async () => {
      const ids = await bring();
      const october = daysOfPeriod(MONTHS[1]!).map((day) => rowOf({ day, billed: '10', effective: '10' }));
      const refund = rowOf({
        ...{ day: '2026-09-28', category: 'Credit', service: 'Support', sku: 'BACK', unit: '' },
        ...{ billed: '-31', effective: '-31', quantity: null },
      });
      await importBill(context, billUpload(billText([...october, refund], { ...HEAD, ...MONTHS[1]! })));
      const { tested } = await viewBill(context, ids[2]!);
      expect(tested[1]).toMatchObject({ likely: '279', actual: '279', off: '0', isWithin: true });
    });

    it('keep notes on lines: through a file that comes again, frozen when the period is closed', async () => {
      const ids = await bring();
      const id = ids[2]!;
      await noteBillLine(context, id, 'a/b', '  For the fair. ');
      await noteBillLine(context, id, 'a/"c', 'Another.');
      await importBill(context, billUpload(billText([rowOf()], { ...HEAD, ...MONTHS[2]! })));
      expect((await openBill(context, id)).notes).toEqual({ 'a/b': 'For the fair.', 'a/"c': 'Another.' });
      await noteBillLine(context, id, 'a/"c', '');
      await closePeriod(context, id, '');
      await expect(noteBillLine(context, id, 'a/b', 'Later')).rejects.toMatchObject({ code: 'invalid' });
      expect((await openBill(context, id)).notes).toEqual({ 'a/b': 'For the fair.' });
      await reopenPeriod(context, id);
      await noteBillLine(context, id, 'a/b', '');
      expect((await openBill(context, id)).notes).toEqual({});
      await expect(noteBillLine(other, id, 'a/b', 'x')).rejects.toMatchObject({ code: 'not-found' });
      await expect(noteBillLine(context, id, 'a/b', 'x'.repeat(1001))).rejects.toMatchObject({
        code: 'invalid',
      });
    });

    it('say what a commitment paid for, of the days that are whole', async () => {
      const committed = { commitment: 'c-1', listUnitPrice: '1', unit: 'Hours' } as const;
      const rows = daysOfPeriod(MONTHS[0]!).flatMap((day) => [
        rowOf({ ...committed, day, commitmentStatus: 'Used', billed: '6', effective: '6', quantity: '10' }),
        rowOf({ ...committed, day, commitmentStatus: 'Unused', billed: '6', effective: '6', quantity: null }),
        rowOf({ day, listUnitPrice: '1', unit: 'Hours', billed: '2', effective: '2', quantity: '2' }),
      ]);
      const text = billText(rows, { ...HEAD, ...MONTHS[0]! });
      const { id } = (await importBill(context, billUpload(text))).bills[0]!;
      const [use, ...others] = (await viewBill(context, id)).commitments;
      expect(others).toEqual([]);
      // Twenty hours a day are committed at 0.6, twelve run: twelve would cost 7.2 a day in place of 12.
      expect(use).toMatchObject({
        commitment: 'c-1',
        used: '180',
        unused: '180',
        use: '0.5',
        coverage: '0.833333333',
      });
      expect(use!.better).toEqual({ level: '12', now: '20', costNow: '360', costBest: '216' });
    });
  });
}
