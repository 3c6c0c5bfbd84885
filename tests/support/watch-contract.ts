/** What watches must do over every pair of stores. */
import { beforeEach, describe, expect, it } from 'vitest';
import type { Design } from '@/engine/design';
import type { Watch } from '@/features/alerts/calc';
import { writeDesign } from '@/features/design/format/design';
import { closePeriod, linkBillDesign } from '@/features/bills/use/bills';
import { type Context, type Stores } from '@/stores/ports';
import {
  deleteWatch,
  evaluateWatches,
  listAlerts,
  listWatches,
  restoreWatch,
  saveWatch,
  seeAlerts,
  countUnseenAlerts,
} from '@/features/alerts/use/watches';
import { importBill } from '@/features/bills/use/import-bill';
import { importBook } from '@/features/price-books/use/import-book';
import { importDesign } from '@/features/design/use/designs';
import { type Mail } from '@/features/alerts/use/watch-ports';
import { saveTeamFile } from '@/features/review/use/team-files';
import { sendMessages, watchTheDay } from '@/features/alerts/use/watch-messages';
import { watchChoices } from '@/features/alerts/use/watch-choices';
import { billText, billUpload, HEAD, rowOf } from './bills';
import { smallBookFile } from './books';
import { designOf, serverOf, transferOf } from './designs';
import { ELSEWHERE, testContext } from './store-contract';
import { uploadOf } from './upload';

const QUAY: Design = designOf([serverOf('web'), transferOf('out', { likely: '100' })], {
  books: [{ book: 'small', revision: 3 }],
});
const RULES = `wick: bill-rules
version: 1
rules:
  - { id: web, when: { sku: A-4 }, to: web }
  - { id: out, when: { sku: OUT }, to: out }
`;
const dayAt = (at: number): string => `2026-11-${String(at).padStart(2, '0')}`;
/** Ten a day, until a day. */
const tenADay = (until: number) =>
  Array.from({ length: until }, (_, at) =>
    rowOf({ day: dayAt(at + 1), quantity: '24', billed: '10', effective: '10', tags: { team: 'quay' } }),
  );
const BUDGET: Watch = {
  ...{ name: 'The budget', provider: HEAD.provider, account: HEAD.account, of: { what: 'whole' } },
  ...{ on: 'billed', limit: '200', currency: 'USD', basis: 'effective', steps: ['0.5', '0.8', '1'] },
  ...{ ahead: 3, mail: ['crew@quay.example'], call: null },
};
const ID = '00000000-0000-4000-8000-0000000000c1';

export function watchContract(name: string, make: () => Promise<Stores>): void {
  describe(`watches ${name}`, () => {
    let context: Context;
    let other: Context;
    let mails: Mail[];
    let calls: { url: string; headers: Readonly<Record<string, string>>; body: string }[];
    let status: number;
    let now: Date;
    beforeEach(async () => {
      const stores = await make();
      mails = [];
      calls = [];
      status = 200;
      now = new Date('2026-11-11T06:00:00Z');
      const tools = {
        now: () => now,
        mailer: { send: async (_: string, mail: Mail) => void mails.push(mail) },
        webCall: async (call: (typeof calls)[number]) => {
          calls.push(call);
          if (status === 0) throw new Error('Nobody could be reached.');
          return { status };
        },
      };
      context = { ...testContext(stores), ...tools };
      other = { ...testContext(stores, ELSEWHERE), ...tools };
    });
    const bring = (until: number, more: ReturnType<typeof rowOf>[] = []) =>
      importBill(context, billUpload(billText([...tenADay(until), ...more], HEAD)));
    const later = (minutes: number): void => {
      now = new Date(now.getTime() + minutes * 60_000);
    };
    const sentences = async () => (await listAlerts(context)).map(({ known }) => known.sentence);

    it('say a step once in a period, when it is reached and a few days ahead; calm after', async () => {
      await bring(9);
      await saveWatch(context, ID, { baseRevision: 0, watch: BUDGET });
      // 90 of 200: the half comes tomorrow, and nothing is reached.
      expect(await sentences()).toEqual([
        '“The budget” crosses 50\u00a0% on 2026-11-10 at this pace: 90.00 of 200.00 USD are billed, known until 2026-11-09.',
      ]);
      later(60);
      await bring(10);
      expect((await sentences())[0]).toBe(
        '“The budget” has reached 50\u00a0% on 2026-11-10: 100.00 of 200.00 USD are billed, known until 2026-11-10.',
      );
      await bring(10);
      expect(await evaluateWatches(context)).toBe(0);
      expect(await listAlerts(context)).toHaveLength(2);
      later(60);
      // Two steps at once: the higher is said, the lower counts as said.
      await bring(21);
      expect((await sentences())[0]).toContain('has reached 100\u00a0% on 2026-11-20');
      expect(await listAlerts(context)).toHaveLength(3);
      expect((await listAlerts(context))[0]!.known.standing.reached).toHaveLength(3);
    });

    it('begin anew when the threshold is another, and not when a step or a name is', async () => {
      await bring(10);
      await saveWatch(context, ID, { baseRevision: 0, watch: { ...BUDGET, ahead: 0 } });
      expect(await listAlerts(context)).toHaveLength(1);
      await saveWatch(context, ID, { baseRevision: 1, watch: { ...BUDGET, ahead: 0, name: 'Another' } });
      expect(await listAlerts(context)).toHaveLength(1);
      await saveWatch(context, ID, { baseRevision: 2, watch: { ...BUDGET, ahead: 0, limit: '100' } });
      expect(await listAlerts(context)).toHaveLength(2);
      await expect(saveWatch(context, ID, { baseRevision: 2, watch: BUDGET })).rejects.toMatchObject({
        code: 'conflict',
      });
    });

    it('keep what was known when it was said, whatever comes after', async () => {
      await bring(10);
      await saveWatch(context, ID, { baseRevision: 0, watch: { ...BUDGET, ahead: 0 } });
      await bring(3);
      const [alert] = await listAlerts(context);
      expect(alert!.known).toMatchObject({ step: '0.5', day: '2026-11-10', from: HEAD.from, to: HEAD.to });
      expect(alert!.known.standing).toMatchObject({ value: '100', limit: '200', newest: '2026-11-10' });
      const [shown] = await listWatches(context);
      expect(shown!.watched).toMatchObject({ state: 'watching', standing: { value: '30', reached: [] } });
      expect(await countUnseenAlerts(context)).toBe(1);
      await seeAlerts(context);
      expect(await countUnseenAlerts(context)).toBe(0);
    });

    it('look at lines, meters, allowances, tags, the close, the pace, and what is new', async () => {
      await importBook(context, uploadOf(smallBookFile()));
      const design = await importDesign(context, writeDesign(QUAY));
      const outs = Array.from({ length: 10 }, (_, at) =>
        rowOf({
          ...{ day: dayAt(at + 1), sku: 'OUT', service: 'Out', meter: 'transferred', unit: 'GB' },
          ...{ quantity: '8', billed: '2', effective: '2' },
        }),
      );
      await bring(10, outs);
      const [choices] = await watchChoices(context);
      expect(choices).toMatchObject({ provider: HEAD.provider, account: HEAD.account, design: null });
      const { bills } = await importBill(context, billUpload(billText([...tenADay(10), ...outs], HEAD)));
      await linkBillDesign(context, bills[0]!.id, design);
      await saveTeamFile(context, 'bill-rules', { name: design, baseRevision: 0, text: RULES });
      const [now_] = await watchChoices(context);
      expect(now_!.components.map(({ id }) => id)).toEqual(['web', 'out']);
      const kinds: [string, Partial<Watch>, object][] = [
        ['section', { of: { what: 'section', section: now_!.sections[0]!.id } }, { value: '120' }],
        ['component', { of: { what: 'component', component: 'out' } }, { value: '20' }],
        ['meter', { of: { what: 'meter', component: 'out', meter: 'transferred' } }, { value: '20' }],
        [
          'close',
          { on: 'close' },
          {
            value: '360',
            reached: [
              { step: '0.5', day: null },
              { step: '0.8', day: null },
              { step: '1', day: null },
            ],
          },
        ],
        ['pace', { on: 'pace', limit: '10' }, { value: '12', share: '1.2' }],
        ['new', { on: 'new' }, { value: '0' }],
        ['tag', { of: { what: 'tag', key: 'team', value: 'quay' } }, { value: '100' }],
      ];
      for (const [each, change, standing] of kinds) {
        const id = `00000000-0000-4000-8000-0000000001${String(kinds.findIndex(([k]) => k === each)).padStart(2, '0')}`;
        await saveWatch(context, id, { baseRevision: 0, watch: { ...BUDGET, name: each, ...change } });
        const found = (await listWatches(context)).find((one) => one.id === id)!;
        expect([each, found.watched]).toMatchObject([each, { state: 'watching', standing }]);
      }
      const allowance = now_!.allowances[0];
      expect(allowance).toMatchObject({ component: 'out', unit: 'GB' });
      const watch: Watch = {
        ...BUDGET,
        ...{ name: 'Free gigabytes', limit: null },
        of: { what: 'allowance', component: 'out', meter: allowance!.meter },
      };
      await saveWatch(context, ID, { baseRevision: 0, watch });
      const free = (await listWatches(context)).find(({ id }) => id === ID)!;
      expect(free.watched).toMatchObject({
        state: 'watching',
        standing: { unit: 'GB', value: '80', limit: '100', coming: [{ step: '1', day: '2026-11-13' }] },
      });
    });

    it('say why they cannot look, and never stay silently calm', async () => {
      const why = async (change: Partial<Watch>) => {
        const found = await context.watches.find(context.actor.workspace, ID);
        await saveWatch(context, ID, { baseRevision: found?.revision ?? 0, watch: { ...BUDGET, ...change } });
        const [shown] = await listWatches(context);
        return shown!.watched;
      };
      expect(await why({})).toEqual({ state: 'cannot', why: 'no-bill' });
      await bring(2);
      expect(await why({ limit: null })).toEqual({ state: 'cannot', why: 'nothing-expected' });
      expect(await why({ currency: 'EUR' })).toEqual({ state: 'cannot', why: 'other-currency' });
      expect(await why({ of: { what: 'component', component: 'gone' } })).toEqual({
        state: 'cannot',
        why: 'no-design',
      });
      expect(await why({ of: { what: 'tag', key: 'team', value: 'nobody' } })).toEqual({
        state: 'cannot',
        why: 'no-such-tag',
      });
    });

    it('send mail once, and calls signed; what fails is tried again, a few times', async () => {
      await bring(10);
      const call = 'http://127.0.0.1:9/hook';
      status = 500;
      await saveWatch(context, ID, { baseRevision: 0, watch: { ...BUDGET, ahead: 0, call } });
      expect(await sendMessages(context)).toBe(2);
      expect(mails.map(({ to, subject }) => [to, subject.slice(0, 27)])).toEqual([
        ['crew@quay.example', '“The budget” has reached 50'],
      ]);
      expect(calls).toHaveLength(1);
      const { headers, body } = calls[0]!;
      expect(headers['wick-tally-signature']).toMatch(/^[0-9a-f]{64}$/);
      expect(JSON.parse(body)).toMatchObject({ event: 'watch', step: '0.5', value: '100', limit: '200' });
      expect(await sendMessages(context)).toBe(0);
      status = 0;
      later(2);
      expect(await sendMessages(context)).toBe(1);
      const waiting = (await listAlerts(context))[0]!.messages.find(({ channel }) => channel === 'call')!;
      expect(waiting).toMatchObject({ state: 'waiting', tries: 2, answer: 'Nobody could be reached.' });
      for (let tries = 0; tries < 10; tries += 1) {
        later(300);
        await sendMessages(context);
      }
      const [alert] = await listAlerts(context);
      expect(alert!.messages.map(({ channel, state, tries }) => [channel, state, tries])).toEqual([
        ['call', 'given-up', 6],
        ['mail', 'sent', 1],
      ]);
      expect(calls).toHaveLength(6);
      expect(new Set(calls.map((each) => each.headers['wick-tally-message'])).size).toBe(1);
    });

    it('two at once say it once', async () => {
      await bring(10);
      await context.watches.save(context.actor.workspace, ID, {
        ...{ baseRevision: 0, watch: BUDGET, anew: false, at: now },
      });
      const said = await Promise.all([evaluateWatches(context), evaluateWatches(context)]);
      expect(said[0]! + said[1]!).toBe(1);
      expect(await listAlerts(context)).toHaveLength(1);
      await Promise.all([sendMessages(context), sendMessages(context)]);
      expect(mails).toHaveLength(1);
    });

    it('look once a day by themselves', async () => {
      await bring(10);
      await context.watches.save(context.actor.workspace, ID, {
        ...{ baseRevision: 0, watch: BUDGET, anew: false, at: now },
      });
      expect(await watchTheDay(context)).toBe(true);
      const [alert, ...others] = await listAlerts(context);
      expect(others).toEqual([]);
      expect(await watchTheDay(context)).toBe(false);
      // Of the bill that they are of, and of no other.
      expect(await listAlerts(context, alert!.known.bill)).toHaveLength(1);
      expect(await listAlerts(context, ID)).toEqual([]);
      expect(await listAlerts(other, alert!.known.bill)).toEqual([]);
    });

    it('leave closed periods alone, come back when taken back, and belong to their workspace', async () => {
      const { bills } = await bring(10);
      await closePeriod(context, bills[0]!.id, '');
      await saveWatch(context, ID, { baseRevision: 0, watch: BUDGET });
      expect(await listAlerts(context)).toEqual([]);
      await expect(deleteWatch(other, ID)).rejects.toMatchObject({ code: 'not-found' });
      await expect(saveWatch(other, ID, { baseRevision: 1, watch: BUDGET })).rejects.toMatchObject({
        code: 'not-found',
      });
      await deleteWatch(context, ID);
      expect(await listWatches(context)).toEqual([]);
      await restoreWatch(context, ID);
      expect(await listWatches(context)).toHaveLength(1);
      expect(await listWatches(other)).toEqual([]);
      await expect(deleteWatch(context, 'nothing')).rejects.toMatchObject({ code: 'not-found' });
    });
  });
}
