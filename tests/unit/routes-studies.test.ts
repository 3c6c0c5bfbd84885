/** Studies from the outside: every route as a browser or a script meets it. */
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { asElsewhere, asHere, call, errorOf, freshStart } from '@tests/support/routes';
import { quayStudy } from '@tests/support/studies';
import * as historyRoute from '@/app/api/studies/[id]/history/route';
import * as revisionRoute from '@/app/api/studies/[id]/history/[revision]/route';
import * as linkRoute from '@/app/api/studies/[id]/links/[link]/route';
import * as linksRoute from '@/app/api/studies/[id]/links/route';
import * as restoreRoute from '@/app/api/studies/[id]/restore/route';
import * as studyRoute from '@/app/api/studies/[id]/route';
import * as proposeRoute from '@/app/api/studies/propose/route';
import * as studiesRoute from '@/app/api/studies/route';
import * as sharedJobRoute from '@/app/api/shared/[token]/jobs/[id]/route';
import * as sharedReportRoute from '@/app/api/shared/[token]/report/route';
import * as sharedTraceRoute from '@/app/api/shared/[token]/trace/route';

vi.mock('server-only', () => ({}));
vi.mock('@/app/wiring', async () => (await import('@tests/support/routes')).wiring);

const json = (data: unknown) => ({ body: JSON.stringify(data) });
let id = '';

beforeEach(async () => {
  await freshStart();
  asHere();
  const made = await call(studiesRoute, 'POST', {}, json({ study: quayStudy() }));
  expect(made.status).toBe(201);
  id = made.json<{ id: string }>().id;
});

describe('a study', () => {
  it('is made, listed, saved, looked at as it was, deleted and restored', async () => {
    expect((await call(studiesRoute, 'GET', {})).json<unknown[]>()).toMatchObject([{ id, title: 'Quay' }]);
    const longer = { ...quayStudy(), years: 7 };
    const saved = await call(studyRoute, 'PUT', { id }, json({ baseRevision: 0, study: longer }));
    expect(saved.json()).toEqual({ revision: 1 });
    expect((await call(studyRoute, 'GET', { id })).json()).toMatchObject({
      revision: 1,
      study: { years: 7 },
    });
    expect((await call(historyRoute, 'GET', { id })).json<unknown[]>()).toHaveLength(2);
    expect((await call(revisionRoute, 'GET', { id, revision: '0' })).json()).toMatchObject({ years: 5 });
    expect((await call(studyRoute, 'DELETE', { id })).status).toBe(200);
    expect((await call(studyRoute, 'GET', { id })).status).toBe(404);
    expect((await call(restoreRoute, 'POST', { id })).status).toBe(200);
    expect((await call(studyRoute, 'GET', { id })).status).toBe(200);
  });

  it('is refused with words where it is wrong, and a second saver is told', async () => {
    const wrong = await call(studyRoute, 'PUT', { id }, json({ baseRevision: 0, study: { years: 5 } }));
    expect([wrong.status, errorOf(wrong).message]).toEqual([
      422,
      expect.stringContaining('title: is missing'),
    ]);
    const nothing = await call(studyRoute, 'PUT', { id }, json({}));
    expect(nothing.status).toBe(422);
    await call(studyRoute, 'PUT', { id }, json({ baseRevision: 0, study: quayStudy() }));
    const late = await call(studyRoute, 'PUT', { id }, json({ baseRevision: 0, study: quayStudy() }));
    expect(late.status).toBe(409);
    expect((await call(revisionRoute, 'GET', { id, revision: 'x' })).status).toBe(422);
    expect((await call(proposeRoute, 'POST', {}, json({ design: id, start: 'soon' }))).status).toBe(422);
    expect((await call(proposeRoute, 'POST', {}, json({ design: id, start: '2027-01' }))).status).toBe(404);
  });

  it('is read by a stranger with a link, until that is withdrawn', async () => {
    const wanted = json({ pinned: false, expires: null });
    const answer = (await call(linksRoute, 'POST', { id }, wanted)).json<{
      made: { id: string; path: string };
      links: unknown[];
    }>();
    expect(answer.links).toMatchObject([{ id: answer.made.id, options: null, state: 'open' }]);
    const token = answer.made.path.slice('/shared/'.length);
    expect(JSON.stringify(answer.links)).not.toContain(token);
    asElsewhere();
    const job = await call(sharedReportRoute, 'POST', { token }, { query: '?form=md' });
    expect(job.status).toBe(202);
    const { id: file } = job.json<{ id: string }>();
    expect((await call(sharedJobRoute, 'GET', { token, id: file })).status).toBe(200);
    expect((await call(sharedTraceRoute, 'GET', { token }, { query: '?line=a' })).status).toBe(404);
    expect((await call(linksRoute, 'GET', { id })).status).toBe(404);
    expect((await call(linkRoute, 'DELETE', { id, link: answer.made.id })).status).toBe(404);
    asHere();
    expect((await call(linkRoute, 'DELETE', { id, link: answer.made.id })).json()).toMatchObject([
      { state: 'withdrawn' },
    ]);
    expect((await call(sharedReportRoute, 'POST', { token }, { query: '?form=md' })).status).toBe(404);
    expect((await call(linksRoute, 'POST', { id }, json({ pinned: 'yes' }))).status).toBe(422);
  });

  it('is not there for another workspace', async () => {
    asElsewhere();
    const save = json({ baseRevision: 0, study: quayStudy() });
    const answers = [
      await call(studyRoute, 'GET', { id }),
      await call(studyRoute, 'PUT', { id }, save),
      await call(studyRoute, 'DELETE', { id }),
      await call(historyRoute, 'GET', { id }),
      await call(revisionRoute, 'GET', { id, revision: '0' }),
      await call(restoreRoute, 'POST', { id }),
    ];
    expect(answers.map(({ status }) => status)).toEqual([404, 404, 404, 404, 404, 404]);
  });
});
