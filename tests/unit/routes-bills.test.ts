/** Bills from the outside: brought in, looked at, mapped, measured, closed, taken along. */
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { billText, HEAD, rowOf } from '@tests/support/bills';
import { asElsewhere, call, errorOf, freshStart, type Route, wired } from '@tests/support/routes';
import * as closingRoute from '@/app/api/bills/[id]/closing/route';
import * as designRoute from '@/app/api/bills/[id]/design/route';
import * as fileRoute from '@/app/api/bills/[id]/file/route';
import * as groupsRoute from '@/app/api/bills/[id]/groups/route';
import * as measuredRoute from '@/app/api/bills/[id]/measured/route';
import * as billRoute from '@/app/api/bills/[id]/route';
import * as rowsRoute from '@/app/api/bills/[id]/rows/route';
import * as rulesRoute from '@/app/api/bills/[id]/rules/route';
import * as feedRoute from '@/app/api/bills/feed/route';
import * as importRoute from '@/app/api/bills/import/[id]/route';
import * as billsRoute from '@/app/api/bills/route';
import * as filesRoute from '@/app/api/team-files/[kind]/route';

vi.mock('server-only', () => ({}));
vi.mock('@/app/wiring', async () => (await import('@tests/support/routes')).wiring);

const RULES = `wick: bill-rules
version: 1
rules:
  - { id: web, when: { sku: A-4 }, to: a }
  - { id: out, when: { sku: OUT }, to: out }
`;
const ROWS = Array.from({ length: 6 }, (_, at) => {
  const day = `2026-11-0${at + 1}`;
  return [
    rowOf({ day, quantity: '24', billed: '2.4', effective: '2.4' }),
    rowOf({
      ...{ day, sku: 'OUT', meter: 'transferred', unit: 'GB', resourceName: '=HYPERLINK("x")' },
      ...{ quantity: '20', billed: '5', effective: '5' },
    }),
  ];
}).flat();

let design = '';
let bill = '';

const bring = (text: string) =>
  (importRoute.PUT as Route)(
    new Request(`http://localhost/api/bills/import/x?name=november.csv`, {
      method: 'PUT',
      body: text,
      headers: { 'sec-fetch-site': 'same-origin', host: 'localhost' },
    }),
    { params: Promise.resolve({ id: wired.context.newId() }) },
  );

beforeEach(async () => {
  design = await freshStart();
  const answer = await bring(billText(ROWS));
  expect(answer.status).toBe(201);
  bill = ((await answer.json()) as { bills: { id: string }[] }).bills[0]!.id;
});

const held = async (): Promise<void> => {
  const linked = await call(designRoute, 'PUT', { id: bill }, { body: { design } });
  expect(linked.status).toBe(204);
  const body = { name: design, baseRevision: 0, text: RULES };
  expect((await call(filesRoute, 'PUT', { kind: 'bill-rules' }, { body })).status).toBe(200);
};

interface View {
  readonly laid: { readonly billed: string; readonly variance: { readonly difference: string } };
  readonly measured: readonly { readonly component: string; readonly meter: string }[];
}
const view = async (): Promise<View> => (await call(billRoute, 'GET', { id: bill })).json<View>();

describe('a bill', () => {
  it('is listed and laid, under either basis, by what its rows say, down to the rows', async () => {
    await held();
    expect((await call(billsRoute, 'GET', {})).json()).toMatchObject([
      { id: bill, rows: 12, fileName: 'november.csv' },
    ]);
    const told = await view();
    expect(told.laid.billed).toBe('44.4');
    const billed = await call(billRoute, 'GET', { id: bill }, { query: '?basis=billed' });
    expect(billed.json<{ basis: string }>().basis).toBe('billed');
    expect((await call(billRoute, 'GET', { id: bill }, { query: '?basis=x' })).status).toBe(422);
    const groups = await call(groupsRoute, 'GET', { id: bill }, { query: '?by=sku' });
    expect(groups.json()).toMatchObject({
      groups: [
        { name: 'OUT', rows: 6 },
        { name: 'A-4', rows: 6 },
      ],
    });
    expect((await call(groupsRoute, 'GET', { id: bill }, { query: '?by=colour' })).status).toBe(422);
    const rows = await call(rowsRoute, 'GET', { id: bill }, { query: '?things=1&after=5' });
    const read = rows.json<{ rows: { line: number }[]; hasMore: boolean }>();
    expect(read.rows.map(({ line }) => line)).toEqual([7, 9, 11, 13]);
    expect(read.hasMore).toBe(false);
    for (const query of ['?things=x', '?things=1&after=-1', '?things=1e9'])
      expect((await call(rowsRoute, 'GET', { id: bill }, { query })).status).toBe(422);
  });

  it('is refused whole with row and column, and nothing stays', async () => {
    const answer = await bring(billText(ROWS).replaceAll('2026-11-03T', '03/11/2026T'));
    expect(answer.status).toBe(422);
    const { error } = (await answer.json()) as {
      error: { message: string; faults: { line: number; path: string }[] };
    };
    expect(error.message).toBe('The bill has 2 faults. Nothing was imported.');
    expect(error.faults).toMatchObject([
      { line: 6, path: 'ChargePeriodStart' },
      { line: 7, path: 'ChargePeriodStart' },
    ]);
    expect((await call(billsRoute, 'GET', {})).json()).toMatchObject([{ revision: 1 }]);
  });

  it('has rules that are tried and drafted, and gives back what was measured', async () => {
    expect(errorOf(await call(rulesRoute, 'GET', { id: bill })).message).toContain('Choose the design');
    await held();
    const tried = await call(
      rulesRoute,
      'POST',
      { id: bill },
      { body: { text: RULES.replace('OUT', 'NOT') } },
    );
    expect(tried.json<{ taking: { rows: number }[] }>().taking.map(({ rows }) => rows)).toEqual([6, 0, 6]);
    expect((await call(rulesRoute, 'POST', { id: bill }, { body: { text: 'a: [' } })).status).toBe(422);
    expect((await call(rulesRoute, 'GET', { id: bill })).json()).toEqual([]);
    const { measured } = await view();
    expect(measured).toMatchObject([{ component: 'out', meter: 'transferred' }]);
    const entries = measured.map(({ component, meter }) => ({ component, meter }));
    const taken = await call(measuredRoute, 'POST', { id: bill }, { body: { entries } });
    expect(taken.json()).toMatchObject({ design, revision: 1 });
    expect((await call(measuredRoute, 'POST', { id: bill }, { body: { entries: [] } })).status).toBe(422);
    expect((await view()).measured).toEqual([]);
  });

  it('is a file in every form, with the same amounts, and no formula of anybody’s', async () => {
    await held();
    const take = (form: string) => call(fileRoute, 'GET', { id: bill }, { query: `?form=${form}` });
    const [json, csv, md] = await Promise.all(['json', 'csv', 'md'].map(take));
    expect(JSON.parse(json!.text).laid.billed).toBe('44.4');
    expect(csv!.text).toContain('44.40');
    expect(md!.text).toContain('44.40');
    expect(csv!.text).not.toMatch(/(^|,)=/m);
    for (const form of ['xlsx', 'pdf']) {
      const file = await take(form);
      expect(file.status).toBe(200);
      expect(file.headers.get('content-disposition')).toContain(`norvane-quay-2026-11-01.${form}`);
    }
    expect((await take('doc')).status).toBe(422);
    // In the money that was looked at; both say which.
    const billed = await take('md&basis=billed');
    expect(billed.text).toContain('Amounts are billed cost');
    expect(md!.text).toContain('Amounts are effective cost');
    expect((await take('md&basis=list')).status).toBe(422);
  });

  it('is closed with a note, and then stands', async () => {
    const close = await call(closingRoute, 'PUT', { id: bill }, { body: { note: 'Explained' } });
    expect(close.status).toBe(204);
    expect((await bring(billText(ROWS))).status).toBe(409);
    expect((await call(billRoute, 'DELETE', { id: bill })).status).toBe(422);
    expect((await call(closingRoute, 'PUT', { id: bill }, { body: { note: 'x'.repeat(5000) } })).status).toBe(
      422,
    );
    expect((await call(closingRoute, 'DELETE', { id: bill })).status).toBe(204);
    expect((await call(billRoute, 'DELETE', { id: bill })).status).toBe(204);
    expect((await call(billRoute, 'GET', { id: bill })).status).toBe(404);
  });

  it('of another workspace is not found, whatever is asked', async () => {
    asElsewhere();
    const answers = await Promise.all([
      call(billRoute, 'GET', { id: bill }),
      call(billRoute, 'DELETE', { id: bill }),
      call(rowsRoute, 'GET', { id: bill }, { query: '?things=1' }),
      call(groupsRoute, 'GET', { id: bill }, { query: '?by=sku' }),
      call(rulesRoute, 'GET', { id: bill }),
      call(rulesRoute, 'POST', { id: bill }, { body: { text: RULES } }),
      call(measuredRoute, 'POST', { id: bill }, { body: { entries: [{ component: 'a', meter: 'x' }] } }),
      call(designRoute, 'PUT', { id: bill }, { body: { design } }),
      call(closingRoute, 'PUT', { id: bill }, { body: { note: '' } }),
      call(fileRoute, 'GET', { id: bill }, { query: '?form=csv' }),
    ]);
    expect(answers.map(({ status }) => status)).toEqual(answers.map(() => 404));
    expect((await call(billsRoute, 'GET', {})).json()).toEqual([]);
  });

  it('has a feed only where one is connected', async () => {
    expect((await call(feedRoute, 'GET', {})).json()).toBeNull();
    expect((await call(feedRoute, 'POST', {}, { body: { days: 1 } })).status).toBe(503);
    expect((await call(feedRoute, 'POST', {}, { body: { days: 99 } })).status).toBe(422);
    expect(HEAD.provider).toBe('Norvane');
  });
});
