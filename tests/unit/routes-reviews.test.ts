/** Change reviews from the outside: pipelines with their token, and the pages of the application. */
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { asElsewhere, asHere, call, errorOf, freshStart } from '@tests/support/routes';
import { sentBody, serversReview } from '@tests/support/sent-reviews';
import { MOST_SENT_BYTES } from '@/features/review/format/review/sent-review';
import * as linkRoute from '@/app/api/repository-link/route';
import * as fileRoute from '@/app/api/reviews/[id]/file/route';
import * as loadRoute from '@/app/api/reviews/[id]/load/route';
import * as restoreRoute from '@/app/api/reviews/[id]/restore/route';
import * as reviewRoute from '@/app/api/reviews/[id]/route';
import * as reviewsRoute from '@/app/api/reviews/route';
import * as mapsRoute from '@/app/api/resource-maps/route';
import * as fileHistoryRoute from '@/app/api/team-files/[kind]/history/route';
import * as filesRoute from '@/app/api/team-files/[kind]/route';
import * as tokenRoute from '@/app/api/pipeline-tokens/[id]/route';
import * as tokensRoute from '@/app/api/pipeline-tokens/route';
import * as openApiRoute from '@/app/api/v1/openapi.json/route';
import * as stateRoute from '@/app/api/v1/reviews/[id]/route';
import * as sendRoute from '@/app/api/v1/reviews/route';

vi.mock('server-only', () => ({}));
vi.mock('@/app/wiring', async () => (await import('@tests/support/routes')).wiring);

interface Problem {
  readonly type: string;
  readonly status: number;
  readonly detail: string;
  readonly faults?: readonly { readonly path: string }[];
}

let token = '';
let tokenId = '';

beforeEach(async () => {
  await freshStart();
  asHere();
  const made = await call(tokensRoute, 'POST', {}, { body: { name: 'Pipeline' } });
  expect(made.status).toBe(201);
  ({ secret: token, id: tokenId } = made.json<{ made: { secret: string; id: string } }>().made);
});

const withToken = (body?: unknown, headers: Record<string, string> = {}) => ({
  ...(body !== undefined && { body }),
  program: true,
  headers: { authorization: `Bearer ${token}`, ...headers },
});
const send = (review = serversReview(2)) => call(sendRoute, 'POST', {}, withToken(sentBody(review)));

describe('a pipeline', () => {
  it('hands in a review, and again the same one', async () => {
    const first = await send();
    expect(first.status).toBe(201);
    const told = first.json<{ id: string; self: string; page: string }>();
    expect(told).toMatchObject({
      repository: 'quay/harbour',
      summary: { before: '73', after: '146', difference: '73', limits: 'kept', doubts: 0 },
      books: [{ book: 'small', revision: 3 }],
    });
    expect(first.headers.get('location')).toBe(told.self);
    expect(told.page).toMatch(new RegExp(`/reviews/${told.id}$`));
    const again = await send();
    expect(again.status).toBe(200);
    expect(again.json()).toMatchObject({ id: told.id });
    const state = await call(stateRoute, 'GET', { id: told.id }, withToken());
    expect(state.json()).toMatchObject({ id: told.id, summary: { difference: '73' } });
  });

  it('is told of a refusal as a problem, with what is wrong', async () => {
    const wrong = await call(sendRoute, 'POST', {}, withToken({ ...sentBody(serversReview(2)), commit: '' }));
    expect(wrong.status).toBe(422);
    expect(wrong.headers.get('content-type')).toBe('application/problem+json');
    const problem = wrong.json<Problem>();
    expect(problem).toMatchObject({ type: 'urn:wick:invalid', status: 422 });
    expect(problem.faults).toMatchObject([{ path: 'commit' }]);
    expect((await call(sendRoute, 'POST', {}, withToken('{"a":'))).status).toBe(422);
    const plain = await call(sendRoute, 'POST', {}, withToken('x', { 'content-type': 'text/plain' }));
    expect([plain.status, plain.json<Problem>().type]).toEqual([415, 'urn:wick:not-json']);
    const large = await call(sendRoute, 'POST', {}, withToken('x'.repeat(MOST_SENT_BYTES + 1)));
    expect([large.status, large.json<Problem>().type]).toEqual([413, 'urn:wick:too-large']);
    const nobody = await call(stateRoute, 'GET', { id: 'no-such-id' }, withToken());
    expect([nobody.status, nobody.json<Problem>().type]).toEqual([404, 'urn:wick:not-found']);
  });

  it('is not let in without a token that holds', async () => {
    const without = await call(sendRoute, 'POST', {}, { body: sentBody(serversReview(2)) });
    expect(without.status).toBe(401);
    expect(without.headers.get('www-authenticate')).toBe('Bearer');
    for (const authorization of ['', 'Bearer wick_x', `Basic ${token}`, `Bearer ${token}x`]) {
      const answer = await call(sendRoute, 'POST', {}, withToken({}, { authorization }));
      expect(answer.status).toBe(401);
    }
    expect((await call(tokenRoute, 'DELETE', { id: tokenId })).status).toBe(200);
    expect((await send()).status).toBe(401);
  });

  it('is refused where a page of another site speaks for it, or by a foreign name', async () => {
    for (const [headers, status] of [
      [{ 'sec-fetch-site': 'cross-site' }, 403],
      [{ origin: 'http://evil.example' }, 403],
      [{ host: 'evil.example' }, 421],
    ] as const) {
      const asked = withToken(sentBody(serversReview(2)), headers);
      expect((await call(sendRoute, 'POST', {}, asked)).status).toBe(status);
    }
    expect((await call(reviewsRoute, 'GET')).json()).toEqual([]);
  });

  it('asks no more often than is good for all', async () => {
    let last = 200;
    let asked = 0;
    let wait: string | null = null;
    for (; last !== 429 && asked < 100; asked += 1) {
      const answer = await call(stateRoute, 'GET', { id: 'x' }, withToken());
      last = answer.status;
      wait = answer.headers.get('retry-after');
    }
    expect(last).toBe(429);
    expect(Number(wait)).toBeGreaterThan(0);
    expect(asked).toBeGreaterThan(50);
  });

  it('sees nothing of another workspace', async () => {
    const { id } = (await send()).json<{ id: string }>();
    asElsewhere();
    const made = await call(tokensRoute, 'POST', {}, { body: { name: 'Theirs' } });
    token = made.json<{ made: { secret: string } }>().made.secret;
    expect((await call(stateRoute, 'GET', { id }, withToken())).status).toBe(404);
    expect((await call(reviewRoute, 'GET', { id })).status).toBe(404);
    expect((await call(reviewRoute, 'DELETE', { id })).status).toBe(404);
  });
});

describe('the description of what pipelines may ask', () => {
  it('is of the schemas, and every reference in it leads somewhere', async () => {
    const api = (await call(openApiRoute, 'GET')).json<{
      openapi: string;
      paths: Record<string, Record<string, unknown>>;
      components: { schemas: Record<string, unknown>; securitySchemes: object };
    }>();
    expect(api.openapi).toBe('3.1.0');
    expect(Object.keys(api.paths)).toEqual(['/api/v1/reviews', '/api/v1/reviews/{id}']);
    const named = new Set([...JSON.stringify(api).matchAll(/"\$ref":"#\/components\/schemas\/(\w+)/g)]);
    expect(named.size).toBeGreaterThan(2);
    for (const [, name] of named) expect(api.components.schemas).toHaveProperty(name!);
    const sent = api.components.schemas.SentReview as {
      properties: Record<string, unknown>;
      required: string[];
    };
    expect(sent.required).toEqual(
      expect.arrayContaining(['wick', 'version', 'repository', 'commit', 'extract']),
    );
    for (const key of Object.keys(sentBody(serversReview(2)))) expect(sent.properties).toHaveProperty(key);
  });
});

describe('pages', () => {
  it('bring a review in, fill in use, delete and restore it', async () => {
    const made = await call(reviewsRoute, 'POST', {}, { body: sentBody(serversReview(2)) });
    expect(made.status).toBe(201);
    const { id } = made.json<{ id: string }>();
    const load = 'wick: load-profile\nversion: 1\nloads: []\n';
    const saved = await call(loadRoute, 'PUT', { id }, { body: { baseRevision: 0, load } });
    expect(saved.json()).toEqual({ revision: 1 });
    const late = await call(loadRoute, 'PUT', { id }, { body: { baseRevision: 0, load } });
    expect([late.status, errorOf(late).code]).toEqual([409, 'conflict']);
    const wrong = await call(loadRoute, 'PUT', { id }, { body: { baseRevision: 1, load: 'x: [' } });
    expect(wrong.status).toBe(422);
    expect((await call(reviewRoute, 'GET', { id })).json()).toMatchObject({ load, revision: 1 });
    expect((await call(reviewRoute, 'DELETE', { id })).status).toBe(200);
    expect((await call(reviewsRoute, 'GET')).json()).toEqual([]);
    expect((await call(restoreRoute, 'POST', { id })).status).toBe(200);
    expect((await call(reviewsRoute, 'GET')).json()).toMatchObject([{ id }]);
  });

  it('take a review along as a file, with the same amounts in every form', async () => {
    const limits = 'wick: limits\nversion: 1\nlimits:\n  - { id: month, most: { total: 100 } }\n';
    const body = sentBody(serversReview(2, { limits, title: '=HYPERLINK("x")' }));
    const { id } = (await call(reviewsRoute, 'POST', {}, { body })).json<{ id: string }>();
    const file = (form: string) => call(fileRoute, 'GET', { id }, { query: `?form=${form}` });
    for (const [form, amount] of [
      ['md', '146.00'],
      ['csv', '146.00'],
      ['json', '"after": "146"'],
      ['junit', '146.00'],
      ['sarif', '146.00'],
    ] as const) {
      const answer = await file(form);
      expect(answer.status, form).toBe(200);
      expect(answer.text, form).toContain(amount);
      expect(answer.headers.get('content-disposition')).toContain('attachment');
    }
    expect((await file('junit')).text).toContain('<failure');
    expect((await file('csv')).text).not.toMatch(/(^|[,\n])"?[=+@]/);
    expect((await file('doc')).status).toBe(422);
    expect((await call(fileRoute, 'GET', { id: 'x' }, { query: '?form=md' })).status).toBe(404);
  });

  it('keep limits and maps of the team, with their revisions', async () => {
    const limits = 'wick: limits\nversion: 1\nlimits: []\n';
    const kind = 'limits';
    const put = (baseRevision: number, text: string) =>
      call(filesRoute, 'PUT', { kind }, { body: { name: 'limits', baseRevision, text } });
    expect((await put(0, limits)).json()).toEqual({ revision: 1 });
    expect((await put(0, limits)).status).toBe(409);
    expect((await put(1, 'wick: limits\nversion: 2')).status).toBe(422);
    expect((await call(filesRoute, 'GET', { kind })).json()).toMatchObject([{ revision: 1, text: limits }]);
    const history = await call(fileHistoryRoute, 'GET', { kind }, { query: '?name=limits' });
    expect(history.json<unknown[]>()).toHaveLength(1);
    expect((await call(filesRoute, 'GET', { kind: 'other' })).status).toBe(404);
    const map = 'wick: resource-map\nversion: 1\ntitle: Ours\nproviders: {}\nrules: []\n';
    const body = { name: 'Ours', baseRevision: 0, text: map };
    expect((await call(filesRoute, 'PUT', { kind: 'map' }, { body })).status).toBe(200);
    expect((await call(mapsRoute, 'GET')).json()).toMatchObject([{ name: 'Ours', own: true }]);
  });

  it('tell of tokens everything but what opens', async () => {
    const listed = await call(tokensRoute, 'GET');
    expect(listed.json()).toMatchObject([{ id: tokenId, name: 'Pipeline', withdrawnAt: null }]);
    expect(listed.text).not.toContain(token.slice(5));
    expect(listed.text).not.toMatch(/[0-9a-f]{64}/);
    expect((await call(tokensRoute, 'POST', {}, { body: {} })).status).toBe(422);
  });

  it('link a repository to a design that is there', async () => {
    const repository = 'quay/harbour';
    const wrong = { repository, design: '00000000-0000-4000-8000-00000000ffff' };
    expect((await call(linkRoute, 'PUT', {}, { body: wrong })).status).toBe(404);
    expect((await call(linkRoute, 'GET', {}, { query: '?repository=quay/harbour' })).json()).toBeNull();
  });
});
