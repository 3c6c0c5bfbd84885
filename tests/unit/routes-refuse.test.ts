/** The outside, refused: another workspace, another site, and what cannot be read. */
import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { designOf } from '@tests/support/designs';
import { writeDesign } from '@/features/design/format/design';
import { importDesign } from '@/features/design/use/designs';
import {
  asElsewhere,
  asHere,
  call,
  errorOf,
  freshStart,
  LINK,
  rename,
  type Sent,
  wired,
} from '@tests/support/routes';
import * as copyRoute from '@/app/api/designs/[id]/copy/route';
import * as editsRoute from '@/app/api/designs/[id]/edits/route';
import * as exportRoute from '@/app/api/designs/[id]/export/route';
import * as historyRoute from '@/app/api/designs/[id]/history/route';
import * as linkRoute from '@/app/api/designs/[id]/links/[link]/route';
import * as linksRoute from '@/app/api/designs/[id]/links/route';
import * as liveRoute from '@/app/api/designs/[id]/live/route';
import * as jobFileRoute from '@/app/api/jobs/[id]/file/route';
import * as jobRoute from '@/app/api/jobs/[id]/route';
import * as reportRoute from '@/app/api/designs/[id]/report/route';
import * as restoreRoute from '@/app/api/designs/[id]/restore/route';
import * as designRoute from '@/app/api/designs/[id]/route';
import * as importDesignRoute from '@/app/api/designs/import/route';
import * as designsRoute from '@/app/api/designs/route';
import * as exchangeRoute from '@/app/api/exchange/route';
import * as libraryRoute from '@/app/api/library/route';
import * as importRoute from '@/app/api/books/import/[id]/route';
import * as offersRoute from '@/app/api/offers/route';
import * as startersRoute from '@/app/api/starters/route';

vi.mock('server-only', () => ({}));
vi.mock('@/app/wiring', async () => (await import('@tests/support/routes')).wiring);

let id = '';
beforeEach(async () => {
  id = await freshStart();
});

/** Routes that name a design, with what they need besides. */
const OF_A_DESIGN: readonly {
  readonly what: string;
  readonly route: object;
  readonly method: string;
  readonly more?: Sent;
}[] = [
  { what: 'the design is deleted', route: designRoute, method: 'DELETE' },
  { what: 'it is restored', route: restoreRoute, method: 'POST' },
  { what: 'it is copied', route: copyRoute, method: 'POST' },
  { what: 'it is edited', route: editsRoute, method: 'POST', more: { body: rename('x') } },
  { what: 'edits are read', route: editsRoute, method: 'GET', more: { query: '?since=0' } },
  { what: 'its history is read', route: historyRoute, method: 'GET' },
  { what: 'it is exported', route: exportRoute, method: 'GET', more: { query: '?form=json' } },
  { what: 'its report is written', route: reportRoute, method: 'GET', more: { query: '?form=md' } },
  { what: 'its links are read', route: linksRoute, method: 'GET' },
  { what: 'a link is made', route: linksRoute, method: 'POST', more: { body: LINK } },
  { what: 'it is watched', route: liveRoute, method: 'GET' },
];

describe('another workspace', () => {
  it.each(OF_A_DESIGN)('$what: is told that there is no such design', async ({ route, method, more }) => {
    asElsewhere();
    const there = await call(route, method, { id }, more);
    const nowhere = await call(route, method, { id: randomUUID() }, more);
    const noId = await call(route, method, { id: 'no id' }, more);
    for (const answer of [there, nowhere, noId]) expect(answer.status).toBe(404);
    // Not by a word does the answer differ from that for something that never was.
    expect(there.text).toBe(nowhere.text);
  });

  it('does not see designs, kept things or books', async () => {
    await call(libraryRoute, 'POST', {}, { body: { what: 'starter', design: id } });
    asElsewhere();
    expect((await call(designsRoute, 'GET')).json()).toEqual([]);
    expect((await call(libraryRoute, 'GET', {}, { query: '?what=starter' })).json()).toEqual([]);
    expect((await call(offersRoute, 'GET', {}, { query: '?find=a-4' })).json()).toEqual([]);
  });

  it('follows, fetches and calls off no job of ours', async () => {
    const job = (await call(reportRoute, 'POST', { id }, { query: '?form=md' })).json<{ id: string }>();
    asElsewhere();
    for (const [route, method] of [
      [jobRoute, 'GET'],
      [jobRoute, 'DELETE'],
      [jobFileRoute, 'GET'],
    ] as const) {
      const there = await call(route, method, { id: job.id });
      const nowhere = await call(route, method, { id: randomUUID() });
      expect([there.status, there.text]).toEqual([404, nowhere.text]);
    }
  });

  it('withdraws no link of ours', async () => {
    const made = await call(linksRoute, 'POST', { id }, { body: LINK });
    asElsewhere();
    const own = await importDesign(wired.context, writeDesign(designOf([])));
    const link = made.json<{ made: { id: string } }>().made.id;
    await call(linkRoute, 'DELETE', { id: own, link });
    asHere();
    const links = await call(linksRoute, 'GET', { id });
    expect(links.json<{ state: string }[]>()[0]!.state).toBe('open');
  });
});

describe('another site', () => {
  it.each([
    ['designs', designsRoute, { title: 'Mine' }],
    ['edits', editsRoute, rename('x')],
    ['exchange', exchangeRoute, 'from,to,rate,date'],
    ['starters', startersRoute, { starter: 'x', book: 'small' }],
  ])('cannot write %s through a person’s browser', async (_, route, body) => {
    const answer = await call(route, 'POST', { id }, { body, headers: { 'sec-fetch-site': 'cross-site' } });
    expect([answer.status, errorOf(answer).code]).toEqual([403, 'forbidden']);
  });

  it('of our own origin can', async () => {
    const headers = { 'sec-fetch-site': 'same-origin' };
    expect((await call(designsRoute, 'POST', {}, { body: { title: 'Mine' }, headers })).status).toBe(201);
  });
});

describe('what cannot be read', () => {
  it.each([
    ['no JSON', designsRoute, 'POST', '{"title":'],
    ['another shape', designsRoute, 'POST', '{"name":"x"}'],
    ['edits of another shape', editsRoute, 'POST', '{"edits":[]}'],
    ['an unknown edit', editsRoute, 'POST', JSON.stringify({ ...rename('x'), edits: [{ edit: 'explode' }] })],
    ['something kept without a name', libraryRoute, 'POST', '{"what":"component"}'],
    ['a starter without a book', startersRoute, 'POST', '{"starter":"x"}'],
    ['a design file that is none', importDesignRoute, 'POST', '{"format":"other"}'],
    ['rates that are none', exchangeRoute, 'POST', 'a,b\n1,2'],
  ])('%s is refused in a sentence and changes nothing', async (_, route, method, body) => {
    const before = (await call(designsRoute, 'GET')).text;
    const answer = await call(route, method, { id }, { body });
    expect(answer.status).toBe(422);
    expect(errorOf(answer).message).toMatch(/[.:]$/);
    expect((await call(designsRoute, 'GET')).text).toBe(before);
    const since = await call(editsRoute, 'GET', { id }, { query: '?since=0' });
    expect(since.json<{ revision?: number }>().revision ?? 0).toBe(0);
  });

  it('too much is refused as soon as it is too much', async () => {
    const answer = await call(designsRoute, 'POST', {}, { body: { title: 'x'.repeat(200_000) } });
    expect([answer.status, errorOf(answer).code]).toEqual([413, 'too-large']);
  });

  it.each([
    ['a form of file', exportRoute, '?form=doc', 422],
    ['a form of report', reportRoute, '?form=doc', 422],
    ['a date that is none', reportRoute, '?form=md&variant=quotation&until=soon', 422],
    ['a revision that is no number', editsRoute, '?since=x', 422],
    ['a place in the history that is no number', historyRoute, '?before=-1', 422],
  ])('%s is asked for again', async (_, route, query, status) => {
    expect((await call(route, 'GET', { id }, { query })).status).toBe(status);
  });

  it('an id of an import must be one', async () => {
    expect((await call(importRoute, 'PUT', { id: 'mine' }, { body: '{}' })).status).toBe(422);
  });
});
