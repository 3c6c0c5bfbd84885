/** What bills must do over every pair of stores. */
import { beforeEach, describe, expect, it } from 'vitest';
import { addAll, decimal } from '@/engine/base';
import { type Design, findComponent } from '@/engine/design';
import {
  closePeriod,
  deleteBill,
  linkBillDesign,
  listBills,
  openBill,
  readBillRows,
  reopenPeriod,
} from '@/features/bills/use/bills';
import { type Context, type Stores } from '@/stores/ports';
import { draftBillRules, tryBillRules } from '@/features/bills/use/bill-rules';
import { editDesign } from '@/features/design/use/edit-design';
import { groupBill } from '@/features/bills/use/bill-groups';
import { importBill } from '@/features/bills/use/import-bill';
import { importBook } from '@/features/price-books/use/import-book';
import { importDesign } from '@/features/design/use/designs';
import { saveTeamFile } from '@/features/review/use/team-files';
import { takeMeasured } from '@/features/bills/use/bill-measured';
import { viewBill } from '@/features/bills/use/bill-view';
import { writeDesign } from '@/features/design/format/design';
import { smallBookFile } from './books';
import { billText, billUpload, HEAD, rowOf } from './bills';
import { designOf, serverOf, transferOf } from './designs';
import { ELSEWHERE, testContext } from './store-contract';
import { uploadOf } from './upload';

const QUAY: Design = designOf(
  [serverOf('web'), transferOf('out', { likely: '100' }, { guesses: ['usage/transferred'] })],
  {
    books: [{ book: 'small', revision: 3 }],
  },
);
const RULES = `wick: bill-rules
version: 1
rules:
  - { id: web, when: { sku: A-4 }, to: web }
  - { id: out, when: { sku: OUT }, to: out }
`;
const out = (day: string, quantity: string, effective: string) =>
  rowOf({
    day,
    sku: 'OUT',
    service: 'Out',
    meter: 'transferred',
    unit: 'GB',
    quantity,
    effective,
    billed: effective,
  });
const days = Array.from({ length: 10 }, (_, at) => `2026-11-${String(at + 1).padStart(2, '0')}`);
const TEN_DAYS = days.flatMap((day) => [
  rowOf({ day, quantity: '24', billed: '2.4', effective: '2.4' }),
  out(day, '22.1', '15'),
  rowOf({
    day,
    sku: 'LOGS',
    service: 'Logs',
    meter: 'taken in',
    unit: 'GB',
    quantity: '1',
    billed: '0.5',
    effective: '0.5',
  }),
]);

export function billContract(name: string, make: () => Promise<Stores>): void {
  describe(`bills ${name}`, () => {
    let context: Context;
    let other: Context;
    beforeEach(async () => {
      const stores = await make();
      context = testContext(stores);
      other = testContext(stores, ELSEWHERE);
    });
    const bring = async (rows = TEN_DAYS, head = HEAD) =>
      (await importBill(context, billUpload(billText(rows, head)))).bills[0]!;
    const held = async (): Promise<{ id: string; design: string }> => {
      await importBook(context, uploadOf(smallBookFile()));
      const design = await importDesign(context, writeDesign(QUAY));
      const { id } = await bring();
      await linkBillDesign(context, id, design);
      await saveTeamFile(context, 'bill-rules', { name: design, baseRevision: 0, text: RULES });
      return { id, design };
    };

    it('come in as a whole and are listed; those of another workspace are not found', async () => {
      const bill = await bring();
      expect(bill).toMatchObject({ ...HEAD, revision: 1, rows: 30, changed: null });
      const [listed] = await listBills(context);
      expect(listed).toMatchObject({ id: bill.id, rows: 30, things: 3, newest: '2026-11-10', closing: null });
      expect(decimal(listed!.billed).toString()).toBe('179');
      expect((await openBill(context, bill.id)).conformance.rows).toBe(30);
      expect(await listBills(other)).toEqual([]);
      for (const act of [openBill, deleteBill, viewBill, reopenPeriod])
        await expect(act(other, bill.id)).rejects.toMatchObject({ code: 'not-found' });
      await expect(openBill(context, 'nothing')).rejects.toMatchObject({ code: 'not-found' });
    });

    it('brought in again replace themselves, and say what changed; the same file changes nothing', async () => {
      const first = await bring();
      const again = await bring();
      expect(again).toMatchObject({ id: first.id, revision: 2, rows: 30 });
      expect(again.changed).toMatchObject({ rows: 0, billed: '0', days: [] });
      const more = await bring([...TEN_DAYS, out('2026-11-10', '5', '4'), out('2026-11-11', '9', '6')]);
      expect(more.changed).toEqual({
        ...{ rows: 2, billed: '10' },
        days: [
          { day: '2026-11-11', before: '0', after: '6' },
          { day: '2026-11-10', before: '17.9', after: '21.9' },
        ],
      });
      expect(await listBills(context)).toHaveLength(1);
      const things = await context.bills.things(context.actor.workspace, first.id);
      expect(addAll(things.map(({ billed }) => decimal(billed))).toString()).toBe('189');
      const { workspace } = context.actor;
      const groups = ['0.5', '1'].map((share) => ({ things: things.map(({ at }) => ({ at, share })) }));
      const summed = await context.bills.days(workspace, first.id, groups, 'effective');
      const sumOf = (group: number) =>
        addAll(summed.flatMap((row) => (row.group === group ? [decimal(row.amount!)] : []))).toString();
      expect([sumOf(0), sumOf(1)]).toEqual(['94.5', '189']);
      expect(summed.flatMap(({ group, day }) => (group === 0 ? [day] : []))).toEqual([...days, '2026-11-11']);
      const whole = await context.bills.wholeDays(workspace, [first.id, 'elsewhere']);
      expect(addAll(whole.map(({ billed }) => decimal(billed))).toString()).toBe('189');
      expect(whole.map(({ day, isFee }) => [day, isFee])).toEqual(
        [...days, '2026-11-11'].map((day) => [day, false]),
      );
      expect(await other.bills.wholeDays(other.actor.workspace, [first.id])).toEqual([]);
    });

    it('that are refused leave everything as it was', async () => {
      const { id } = await bring();
      const spoilt = billText([...TEN_DAYS, rowOf()])
        .replace(/10,10,,100/, 'ten,10,,100')
        .replace(/\r\n10,/g, '\r\nten,');
      const refused = importBill(context, billUpload(spoilt));
      await expect(refused).rejects.toMatchObject({ code: 'invalid' });
      await expect(refused).rejects.toThrow('Nothing was imported');
      expect(await openBill(context, id)).toMatchObject({ revision: 1, rows: 30 });
      // A period that overlaps, under the same account.
      await expect(
        bring([rowOf({ day: '2026-11-20' })], { ...HEAD, from: '2026-11-15' }),
      ).rejects.toMatchObject({
        code: 'conflict',
      });
      expect(await listBills(context)).toHaveLength(1);
    });

    it('two at once of one period become one, whole', async () => {
      const [one, two] = await Promise.all([bring(TEN_DAYS), bring(TEN_DAYS.slice(0, 15))]);
      expect(one.id).toBe(two.id);
      expect([one.revision, two.revision].sort()).toEqual([1, 2]);
      const last = one.revision === 2 ? one : two;
      expect(await openBill(context, last.id)).toMatchObject({ revision: 2, rows: last.rows });
      const things = await context.bills.things(context.actor.workspace, last.id);
      expect(things.reduce((sum, { rows }) => sum + rows, 0)).toBe(last.rows);
    });

    it('closed cannot be brought in anew or deleted until they are opened again', async () => {
      const { id } = await bring();
      await closePeriod(context, id, 'As agreed');
      expect((await openBill(context, id)).closing).toMatchObject({ note: 'As agreed' });
      await expect(bring()).rejects.toMatchObject({ code: 'conflict' });
      await expect(deleteBill(context, id)).rejects.toMatchObject({ code: 'invalid' });
      await reopenPeriod(context, id);
      expect((await bring()).revision).toBe(2);
      await deleteBill(context, id);
      expect(await listBills(context)).toEqual([]);
      // Deleted, it comes in as new.
      expect(await bring()).toMatchObject({ revision: 1 });
    });

    it('are laid against the design by its rules, with what is outside, and where they close', async () => {
      const { id } = await held();
      const view = await viewBill(context, id);
      expect(view.laid.days).toMatchObject({ known: 10, all: 30 });
      const find = (component: string) =>
        view.laid.sections.flatMap(({ components }) => components).find((each) => each.id === component)!;
      expect(find('web').variance.difference).toBe('0');
      expect(find('out').meters[0]).toMatchObject({ billed: { quantity: '221', cost: '150' } });
      expect(view.laid.sections.at(-1)).toMatchObject({ part: 'outside', billed: '5' });
      expect(decimal(view.close!.likely).toString()).toBe('537');
      expect(decimal(view.closes.out!.likely).toString()).toBe('450');
      expect(view.taking.map(({ rule, rows }) => [rule, rows])).toEqual([
        ['web', 10],
        ['out', 10],
        ['', 10],
      ]);
      const { groups, tags } = await groupBill(context, id, 'service');
      expect(groups.map((group) => [group.name, group.rows])).toEqual([
        ['Out', 10],
        ['Servers', 10],
        ['Logs', 10],
      ]);
      expect(tags).toEqual([]);
    });

    it('show the rows of the file that a line is made of', async () => {
      const { id } = await bring();
      const things = await context.bills.things(context.actor.workspace, id);
      const outs = things.filter(({ sku }) => sku === 'OUT').map(({ at }) => at);
      const { rows, hasMore } = await readBillRows(context, id, { things: outs, after: 0 });
      expect(hasMore).toBe(false);
      expect(rows.map(({ line, day }) => [line, day]).slice(0, 2)).toEqual([
        [3, '2026-11-01'],
        [6, '2026-11-02'],
      ]);
      const last = await readBillRows(context, id, { things: outs, after: rows[8]!.line });
      expect(last.rows).toHaveLength(1);
      const none = await readBillRows(context, id, { things: [], after: 0 });
      expect(none).toEqual({ rows: [], hasMore: false });
    });

    it('take rules that are tried before they are kept, and drafted from what both say alike', async () => {
      const { id } = await held();
      const tried = await tryBillRules(context, id, RULES.replace('{ sku: OUT }', '{ service: "*" }'));
      expect(tried.taking.at(-1)).toMatchObject({ rule: '', rows: 0 });
      expect((await viewBill(context, id)).taking.at(-1)).toMatchObject({ rows: 10 });
      await expect(tryBillRules(context, id, 'rules: 5')).rejects.toMatchObject({ code: 'invalid' });
      const unknown = await tryBillRules(context, id, RULES.replace('to: web', 'to: gone'));
      expect(unknown.unknown).toEqual([{ rule: 'web', component: 'gone' }]);
      // Nothing of the logs is in the design.
      expect(await draftBillRules(context, id)).toEqual([]);
      await expect(
        saveTeamFile(context, 'bill-rules', { name: 'x', baseRevision: 0, text: 'wick: bill-rules' }),
      ).rejects.toMatchObject({ code: 'invalid' });
    });

    it('give back what was measured, in one edit that can be taken back', async () => {
      const { id, design } = await held();
      const done = await takeMeasured(context, id, [{ component: 'out', meter: 'transferred' }]);
      const now = (await context.designs.find(context.actor.workspace, design))!;
      const entry = findComponent(now.design, 'out')!;
      expect(entry.usage.transferred!.amount).toEqual({ likely: '663', lean: '596.7', heavy: '729.3' });
      expect(entry.measured).toEqual(['usage/transferred']);
      expect(entry.guesses ?? null).toBeNull();
      expect(entry.origin).toContain('measured: Norvane quay');
      // What was measured is what is expected now.
      const view = await viewBill(context, id);
      expect(view.laid.variance.quantity).toBe('0');
      await editDesign(context, design, {
        ...{ baseRevision: done.revision, batch: context.newId(), edits: done.inverse },
      });
      const back = (await context.designs.find(context.actor.workspace, design))!;
      expect(findComponent(back.design, 'out')).toEqual(findComponent(QUAY, 'out'));
      await expect(takeMeasured(context, id, [{ component: 'web', meter: 'running' }])).rejects.toMatchObject(
        {
          code: 'invalid',
        },
      );
    });
  });
}
