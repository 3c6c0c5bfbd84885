/** The outside, answered: every route as a browser or a script meets it. */
import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { smallBookFile } from '@tests/support/books';
import { call, freshStart, LINK, rename, wired, type Route } from '@tests/support/routes';
import * as copyRoute from '@/app/api/designs/[id]/copy/route';
import * as editsRoute from '@/app/api/designs/[id]/edits/route';
import * as exportRoute from '@/app/api/designs/[id]/export/route';
import * as revisionRoute from '@/app/api/designs/[id]/history/[revision]/route';
import * as historyRoute from '@/app/api/designs/[id]/history/route';
import * as linkRoute from '@/app/api/designs/[id]/links/[link]/route';
import * as linksRoute from '@/app/api/designs/[id]/links/route';
import * as liveRoute from '@/app/api/designs/[id]/live/route';
import * as reportRoute from '@/app/api/designs/[id]/report/route';
import * as restoreRoute from '@/app/api/designs/[id]/restore/route';
import * as designRoute from '@/app/api/designs/[id]/route';
import * as importDesignRoute from '@/app/api/designs/import/route';
import * as designsRoute from '@/app/api/designs/route';
import * as exchangeRoute from '@/app/api/exchange/route';
import * as healthRoute from '@/app/api/health/route';
import * as readyRoute from '@/app/api/ready/route';
import * as jobFileRoute from '@/app/api/jobs/[id]/file/route';
import * as jobRoute from '@/app/api/jobs/[id]/route';
import * as libraryItemRoute from '@/app/api/library/[id]/route';
import * as libraryRoute from '@/app/api/library/route';
import * as importRoute from '@/app/api/books/import/[id]/route';
import * as offersRoute from '@/app/api/offers/route';
import * as searchRoute from '@/app/api/offers/search/route';
import * as sharedFileRoute from '@/app/api/shared/[token]/jobs/[id]/file/route';
import * as sharedJobRoute from '@/app/api/shared/[token]/jobs/[id]/route';
import * as sharedReportRoute from '@/app/api/shared/[token]/report/route';
import * as sharedTraceRoute from '@/app/api/shared/[token]/trace/route';
import * as startersRoute from '@/app/api/starters/route';

vi.mock('server-only', () => ({}));
vi.mock('@/app/wiring', async () => (await import('@tests/support/routes')).wiring);

let id = '';
beforeEach(async () => {
  id = await freshStart();
});

interface Made {
  readonly id: string;
}

interface Revised {
  readonly revision: number;
}

describe('a design', () => {
  it('is edited, told to those who have it open, and priced again after the answer', async () => {
    const heard: number[] = [];
    wired.hub.join(id, { revision: (next) => void heard.push(next), present: () => undefined });
    const answer = await call(editsRoute, 'POST', { id }, { body: rename('Web') });
    expect([answer.status, answer.json<Revised>().revision, heard]).toEqual([200, 1, [1]]);
    expect(wired.soon).toEqual([id]);
    const since = await call(editsRoute, 'GET', { id }, { query: '?since=0' });
    expect(since.text).toContain('"Web"');
  });

  it('edited on an older revision is a conflict that tells what came in between', async () => {
    await call(editsRoute, 'POST', { id }, { body: rename('Web') });
    const answer = await call(editsRoute, 'POST', { id }, { body: rename('Site') });
    expect(answer.status).toBe(409);
    expect(answer.text).toContain('"Web"');
  });

  it('is as it was at a revision', async () => {
    await call(editsRoute, 'POST', { id }, { body: rename('Web') });
    const before = await call(revisionRoute, 'GET', { id, revision: '0' });
    expect([before.status, before.text.includes('"Web"')]).toEqual([200, false]);
    expect((await call(revisionRoute, 'GET', { id, revision: '9' })).status).toBe(404);
    expect((await call(historyRoute, 'GET', { id })).text).toContain('"Web"');
  });

  it('is copied, deleted and restored', async () => {
    const copied = await call(copyRoute, 'POST', { id });
    expect(copied.status).toBe(201);
    await call(designRoute, 'DELETE', { id });
    expect((await call(designsRoute, 'GET')).json<Made[]>().map((each) => each.id)).toEqual([
      copied.json<Made>().id,
    ]);
    await call(restoreRoute, 'POST', { id });
    expect((await call(designsRoute, 'GET')).json()).toHaveLength(2);
  });

  it('goes out and comes in as the same, and its file name is no path', async () => {
    const file = await call(exportRoute, 'GET', { id }, { query: '?form=json' });
    expect(file.headers.get('content-disposition')).not.toMatch(/\/|\\/);
    const again = await call(importDesignRoute, 'POST', {}, { body: file.text });
    expect(again.status).toBe(201);
    const second = await call(exportRoute, 'GET', { id: again.json<Made>().id }, { query: '?form=json' });
    expect(second.text).toBe(file.text);
  });

  it('has a report in every form, and no two writings of it differ in the total', async () => {
    const md = await call(reportRoute, 'GET', { id }, { query: '?form=md' });
    // A-4 is 73.00 a month; of 300 GB 100 are free, 10 at 1.00, 90 at 0.50, 100 at 0.10: 65.00.
    expect(md.text.replace(/\u00a0/g, ' ')).toContain('138.00');
    const json = await call(reportRoute, 'GET', { id }, { query: '?form=json' });
    expect(json.text).toContain('"138');
    for (const form of ['xlsx', 'pdf']) {
      const file = await call(reportRoute, 'GET', { id }, { query: `?form=${form}` });
      expect([file.status, file.headers.get('cache-control')]).toEqual([200, 'private, no-store']);
    }
  });

  it('has its report as a job that is followed until its file is there', async () => {
    const asked = await call(reportRoute, 'POST', { id }, { query: '?form=md' });
    expect(asked.status).toBe(202);
    const job = asked.json<{ id: string; state: string }>();
    expect(asked.text).not.toContain('askedBy');
    expect((await call(jobRoute, 'GET', { id: job.id })).json()).toMatchObject({ state: 'done' });
    const file = await call(jobFileRoute, 'GET', { id: job.id });
    expect(file.text).toBe((await call(reportRoute, 'GET', { id }, { query: '?form=md' })).text);
    // It has ended: there is nothing to call off.
    expect((await call(jobRoute, 'DELETE', { id: job.id })).status).toBe(404);
  });

  it('says where a long report is followed, and that one which was called off is gone', async () => {
    wired.context = { ...wired.context, queue: undefined };
    const waiting = await call(reportRoute, 'GET', { id }, { query: '?form=pdf' });
    expect(waiting.status).toBe(202);
    const job = waiting.json<{ id: string; state: string }>();
    expect([job.state, waiting.headers.get('location')]).toEqual(['waiting', `/api/jobs/${job.id}`]);
    expect((await call(jobFileRoute, 'GET', { id: job.id })).status).toBe(404);
    expect((await call(jobRoute, 'DELETE', { id: job.id })).status).toBe(204);
    expect((await call(jobRoute, 'GET', { id: job.id })).json()).toMatchObject({ state: 'cancelled' });
  });

  it('is watched: the revision at once, each new one, and how many are there', async () => {
    const abort = new AbortController();
    const request = new Request('http://here/x', { headers: { host: 'localhost' }, signal: abort.signal });
    const response = await (liveRoute as { GET: Route }).GET(request, {
      params: Promise.resolve({ id }),
    });
    const reader = response
      .body!.pipeThrough(new TextDecoderStream() as never)
      .getReader() as ReadableStreamDefaultReader<string>;
    let heard = '';
    const until = async (text: string): Promise<void> => {
      while (!heard.includes(text)) {
        const { done, value } = await reader.read();
        if (done) throw new Error(`it ended before “${text}”: ${heard}`);
        heard += value;
      }
    };
    await until('event: revision\ndata: 0');
    await call(editsRoute, 'POST', { id }, { body: rename('Web') });
    await until('event: revision\ndata: 1');
    abort.abort();
    await call(editsRoute, 'POST', { id }, { body: rename('Site', 1) });
    expect(heard).not.toContain('data: 2');
  });
});

describe('a link', () => {
  it('opens the report and its traces to a stranger until it is withdrawn', async () => {
    const made = await call(linksRoute, 'POST', { id }, { body: LINK });
    const link = made.json<{ made: { id: string; path: string } }>().made;
    const token = link.path.split('/').at(-1)!;
    expect((await call(linksRoute, 'GET', { id }, {})).text).not.toContain(token);
    const shared = await call(sharedReportRoute, 'GET', { token }, { query: '?form=md' });
    expect([shared.status, shared.text.includes('138.00')]).toEqual([200, true]);
    expect((await call(sharedTraceRoute, 'GET', { token }, { query: '?line=out' })).text).toContain('65');
    expect((await call(sharedTraceRoute, 'GET', { token }, { query: '?line=nothing' })).status).toBe(404);
    const job = (await call(sharedReportRoute, 'POST', { token }, { query: '?form=md' })).json<Made>();
    expect((await call(sharedJobRoute, 'GET', { token, id: job.id })).json()).toMatchObject({
      state: 'done',
    });
    expect((await call(sharedFileRoute, 'GET', { token, id: job.id })).text).toBe(shared.text);
    // What the team asked for is not theirs to see.
    const ours = (await call(reportRoute, 'POST', { id }, { query: '?form=json' })).json<Made>();
    for (const route of [sharedJobRoute, sharedFileRoute]) {
      expect((await call(route, 'GET', { token, id: ours.id })).status).toBe(404);
    }
    expect((await call(sharedJobRoute, 'DELETE', { token, id: ours.id })).status).toBe(404);
    await call(linkRoute, 'DELETE', { id, link: link.id });
    expect((await call(sharedFileRoute, 'GET', { token, id: job.id })).status).toBe(404);
    for (const route of [sharedReportRoute, sharedTraceRoute]) {
      expect((await call(route, 'GET', { token }, { query: '?form=md&line=out' })).status).toBe(404);
    }
  });

  it('that nobody made opens nothing', async () => {
    for (const token of ['', 'x', 'x'.repeat(500), randomUUID()]) {
      expect((await call(sharedReportRoute, 'GET', { token }, { query: '?form=md' })).status).toBe(404);
    }
  });
});

describe('what the team keeps', () => {
  it('is listed, kept and taken away', async () => {
    await call(libraryRoute, 'POST', {}, { body: { what: 'starter', design: id } });
    const listed = await call(libraryRoute, 'GET', {}, { query: '?what=starter' });
    const [first] = listed.json<{ id: string; name: string }[]>();
    expect(first!.name).toBe('Harbour / site');
    expect((await call(startersRoute, 'GET')).json<unknown[]>()[0]).toMatchObject({
      title: 'Harbour / site',
      work: 'Our own',
    });
    await call(libraryItemRoute, 'DELETE', { id: first!.id });
    expect((await call(libraryRoute, 'GET', {}, { query: '?what=starter' })).json()).toEqual([]);
    expect((await call(libraryRoute, 'GET', {}, { query: '?what=secrets' })).status).toBe(422);
  });

  it('starters are found by their names, without being priced', async () => {
    const starters = (await call(startersRoute, 'GET')).json<{ key: string }[]>();
    expect(starters.length).toBeGreaterThanOrEqual(8);
    for (const each of starters) expect(Object.keys(each).sort()).toEqual(['key', 'title', 'work']);
  });

  it('a starter begins a design; one that is not there does not', async () => {
    const starters = (await call(startersRoute, 'GET')).json<{ key: string }[]>();
    const [{ key }] = starters as [{ key: string }];
    const begun = await call(startersRoute, 'POST', {}, { body: { starter: key, book: 'small' } });
    expect([begun.status, typeof begun.json<Made>().id]).toEqual([201, 'string']);
    const gone = await call(startersRoute, 'POST', {}, { body: { starter: 'nothing', book: 'small' } });
    expect(gone.status).toBe(404);
  });
});

describe('prices', () => {
  it('offers are found by words, and by what they must have', async () => {
    const found = await call(offersRoute, 'GET', {}, { query: '?find=a-4' });
    expect(found.json<{ sku: string }[]>()[0]!.sku).toBe('A-4');
    const sought = await call(searchRoute, 'GET', {}, { query: '?kind=server&limit=2' });
    expect(sought.status).toBe(200);
    expect((await call(searchRoute, 'GET', {}, { query: '?kind=submarine' })).status).toBe(422);
    expect((await call(searchRoute, 'GET', {}, { query: '?limit=many' })).status).toBe(422);
  });

  it('exchange rates come in as a table', async () => {
    const csv = 'from,to,rate,date\nEUR,USD,1.08,2026-11-01\n';
    expect((await call(exchangeRoute, 'POST', {}, { body: csv })).json()).toEqual({ rows: 1 });
    expect((await call(exchangeRoute, 'GET')).json<unknown[]>()[0]).toMatchObject({
      from: 'EUR',
      to: 'USD',
      rate: '1.08',
    });
  });

  it('a book comes in by a stream, and says how far it is', async () => {
    const book = smallBookFile();
    const next = { ...book, revision: { ...book.revision, number: 4 } };
    const upload = randomUUID();
    const answer = await call(importRoute, 'PUT', { id: upload }, { query: '?name=b.json', body: next });
    expect([answer.status, answer.json<Revised>().revision]).toEqual([201, 4]);
    const progress = await call(importRoute, 'GET', { id: upload });
    expect(progress.headers.get('cache-control')).toBe('no-store');
  });

  it('the application says that it answers, and whether its database does', async () => {
    expect((await call(readyRoute, 'GET')).json()).toEqual({ ready: true });
    wired.context = {
      ...wired.context,
      books: {
        ...wired.context.books,
        list: () => Promise.reject(Object.assign(new Error('gone'), { code: 'ECONNREFUSED' })),
      },
    };
    const answer = await call(readyRoute, 'GET');
    expect([answer.status, answer.text.includes('gone')]).toEqual([503, false]);
    expect((await call(healthRoute, 'GET')).json()).toEqual({ well: true });
  });
});
