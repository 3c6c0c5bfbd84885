/** Watches, and the prices of a bill, from the outside. */
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { smallBookFile } from '@tests/support/books';
import { billText, billUpload, HEAD, rowOf } from '@tests/support/bills';
import { asElsewhere, call, errorOf, freshStart, wired } from '@tests/support/routes';
import { uploadOf } from '@tests/support/upload';
import { readPriceBook } from '@/features/price-books/format/price-book';
import { evaluateWatches } from '@/features/alerts/use/watches';
import { importBill } from '@/features/bills/use/import-bill';
import { importBook } from '@/features/price-books/use/import-book';
import * as notesRoute from '@/app/api/bills/[id]/notes/route';
import * as billRoute from '@/app/api/bills/[id]/route';
import * as closingRoute from '@/app/api/bills/[id]/closing/route';
import * as fileRoute from '@/app/api/bills/[id]/file/route';
import * as draftRoute from '@/app/api/bills/[id]/prices/draft/route';
import * as pricesRoute from '@/app/api/bills/[id]/prices/route';
import * as alertsRoute from '@/app/api/watch-alerts/route';
import * as secretRoute from '@/app/api/watch-secret/route';
import * as restoreRoute from '@/app/api/watches/[id]/restore/route';
import * as watchRoute from '@/app/api/watches/[id]/route';
import * as watchesRoute from '@/app/api/watches/route';

vi.mock('server-only', () => ({}));
vi.mock('@/app/wiring', async () => (await import('@tests/support/routes')).wiring);

const ROWS = Array.from({ length: 10 }, (_, at) =>
  rowOf({
    ...{ day: `2026-11-${String(at + 1).padStart(2, '0')}`, quantity: '100', billed: '12', effective: '12' },
    ...{ list: '12', listUnitPrice: '0.12', contractedUnitPrice: '0.09', contracted: '9' },
  }),
);
const ID = '00000000-0000-4000-8000-0000000000d1';
const WATCH = {
  ...{ name: 'Budget', provider: HEAD.provider, account: HEAD.account, of: { what: 'whole' } },
  ...{ on: 'billed', limit: '200', currency: 'USD', basis: 'effective', steps: ['0.5', '1'], ahead: 0 },
  ...{ mail: ['crew@quay.example'], call: null },
};
let bill = '';

beforeEach(async () => {
  await freshStart();
  bill = (await importBill(wired.context, billUpload(billText(ROWS)))).bills[0]!.id;
});

const put = (body: unknown, id = ID) => call(watchRoute, 'PUT', { id }, { body: body as object });

describe('a watch', () => {
  it('is kept, shown as it stands, changed, deleted and taken back', async () => {
    expect((await put({ baseRevision: 0, watch: WATCH })).json()).toMatchObject({ id: ID, revision: 1 });
    const [shown] = (await call(watchesRoute, 'GET', {})).json<object[]>();
    expect(shown).toMatchObject({ watched: { state: 'watching', standing: { value: '120', share: '0.6' } } });
    expect((await put({ baseRevision: 1, watch: { ...WATCH, name: 'Other' } })).json()).toMatchObject({
      revision: 2,
    });
    expect((await put({ baseRevision: 1, watch: WATCH })).status).toBe(409);
    expect((await call(watchRoute, 'DELETE', { id: ID })).status).toBe(200);
    expect((await call(watchesRoute, 'GET', {})).json()).toEqual([]);
    expect((await call(restoreRoute, 'POST', { id: ID })).status).toBe(204);
    expect((await call(watchesRoute, 'GET', {})).json<object[]>()).toHaveLength(1);
  });

  it('says what it reaches, which is seen once it was shown', async () => {
    await put({ baseRevision: 0, watch: WATCH });
    await evaluateWatches(wired.context);
    const alerts = (await call(alertsRoute, 'GET', {})).json<object[]>();
    expect(alerts).toHaveLength(1);
    expect(alerts[0]).toMatchObject({ isSeen: false, messages: [{ channel: 'mail', state: 'waiting' }] });
    expect((await call(alertsRoute, 'POST', {})).status).toBe(204);
    expect((await call(alertsRoute, 'GET', {})).json<object[]>()[0]).toMatchObject({ isSeen: true });
  });

  it('is refused with words, and belongs to its workspace', async () => {
    for (const body of [{}, { baseRevision: 0 }, { baseRevision: -1, watch: WATCH }, 'x', null])
      expect((await put(body)).status).toBe(422);
    const refused = await put({ baseRevision: 0, watch: { ...WATCH, call: 'https://elsewhere.example/' } });
    expect([refused.status, errorOf(refused).message]).toEqual([
      422,
      expect.stringContaining('may not be called') as string,
    ]);
    expect((await put({ baseRevision: 0, watch: WATCH }, 'no-id')).status).toBe(404);
    expect((await put({ baseRevision: 3, watch: WATCH })).status).toBe(404);
    await put({ baseRevision: 0, watch: WATCH });
    asElsewhere();
    expect((await call(watchRoute, 'DELETE', { id: ID })).status).toBe(404);
    expect((await call(restoreRoute, 'POST', { id: ID })).status).toBe(404);
    expect((await call(watchesRoute, 'GET', {})).json()).toEqual([]);
  });

  it('has a secret for its calls, the same every time, for administrators', async () => {
    wired.context = { ...wired.context, actor: { ...wired.context.actor, role: 'admin' } };
    const first = (await call(secretRoute, 'GET', {})).json<{ secret: string }>().secret;
    expect(first.length).toBeGreaterThan(30);
    expect((await call(secretRoute, 'GET', {})).json()).toEqual({ secret: first });
    wired.context = { ...wired.context, actor: { ...wired.context.actor, role: 'editor' } };
    expect((await call(secretRoute, 'GET', {})).status).toBe(403);
  });
});

describe('the prices of a bill', () => {
  it('stand beside the book, and become its next revision, which is a sound book', async () => {
    await importBook(
      wired.context,
      uploadOf({
        ...smallBookFile(),
        book: { ...smallBookFile().book, key: 'quay', provider: HEAD.provider },
      }),
    );
    const held = (await call(pricesRoute, 'GET', { id: bill })).json<{ rates: object[]; book: object }>();
    expect(held).toMatchObject({ book: { key: 'quay' }, difference: '20' });
    expect(held.rates[0]).toMatchObject({
      state: 'other-price',
      listed: '0.1',
      list: '0.12',
      contracted: '0.09',
    });
    const draft = await call(draftRoute, 'GET', { id: bill }, { query: '?as=list' });
    const read = readPriceBook(draft.text);
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    const before = smallBookFile().rates;
    const changed = read.value.rates.filter(
      ({ charge }, at) =>
        JSON.stringify(charge) !==
        JSON.stringify(before.find((each) => same(each, read.value.rates[at]!))!.charge),
    );
    expect(changed).toMatchObject([{ sku: 'A-4', charge: { structure: 'per-unit', price: '0.12' } }]);
    const published = await call(pricesRoute, 'POST', { id: bill }, { body: { as: 'list' } });
    expect(published.json()).toMatchObject({ key: 'quay', revision: 4 });
    const again = (await call(pricesRoute, 'GET', { id: bill })).json();
    expect(again).toMatchObject({ book: { revision: 4 }, difference: '0', rates: [{ state: 'same' }] });
    const own = await call(pricesRoute, 'POST', { id: bill }, { body: { as: 'contracted' } });
    expect(own.json()).toMatchObject({ key: 'quay.quay', revision: 1 });
  });

  const same = (a: object, b: object): boolean =>
    (['sku', 'region', 'meter', 'term'] as const).every(
      (key) => (a as Record<string, unknown>)[key] === (b as Record<string, unknown>)[key],
    );

  it('are a price list where there is no book, without formulas; wrong questions are told', async () => {
    const list = await call(draftRoute, 'GET', { id: bill }, { query: '?as=price-list' });
    expect(list.text.split('\n')[0]).toContain('SkuId,Description');
    expect(list.text).toContain('A-4,Hours,Servers,severn,running,Hours,0.12,0.09,1000');
    expect((await call(draftRoute, 'GET', { id: bill }, { query: '?as=gold' })).status).toBe(422);
    const none = await call(draftRoute, 'GET', { id: bill }, { query: '?as=list' });
    expect([none.status, errorOf(none).message]).toEqual([
      422,
      expect.stringContaining('There is no price book of Norvane') as string,
    ]);
    expect((await call(pricesRoute, 'POST', { id: bill }, { body: { as: 'gold' } })).status).toBe(422);
    expect((await call(pricesRoute, 'GET', { id: ID })).status).toBe(404);
    asElsewhere();
    expect((await call(pricesRoute, 'GET', { id: bill })).status).toBe(404);
    expect((await call(draftRoute, 'GET', { id: bill }, { query: '?as=price-list' })).status).toBe(404);
  });
});

describe('notes of a bill', () => {
  const note = (line: string, text: string) =>
    call(notesRoute, 'PUT', { id: bill }, { body: { line, text } });
  it('are kept by line, printed in the report, and frozen when the period is closed', async () => {
    const told = (await call(billRoute, 'GET', { id: bill })).json<{
      laid: { sections: { id: string; components: { id: string }[] }[] };
    }>();
    const section = told.laid.sections.find(({ components }) => components.length > 0)!;
    const line = `${section.id}/${section.components[0]!.id}`;
    expect((await note(line, 'Two more for the fair.')).status).toBe(204);
    const file = await call(fileRoute, 'GET', { id: bill }, { query: '?form=md' });
    expect(file.text).toContain('Two more for the fair.');
    await call(closingRoute, 'PUT', { id: bill }, { body: { note: '' } });
    expect((await note(line, 'Later')).status).toBe(422);
    expect((await call(billRoute, 'GET', { id: bill })).json()).toMatchObject({
      bill: { notes: { [line]: 'Two more for the fair.' } },
    });
    await call(closingRoute, 'DELETE', { id: bill });
    expect((await note(line, '')).status).toBe(204);
    expect((await call(billRoute, 'GET', { id: bill })).json()).toMatchObject({ bill: { notes: {} } });
    expect((await note('', 'x')).status).toBe(422);
    expect((await note(line, 'x'.repeat(1001))).status).toBe(422);
  });
});
