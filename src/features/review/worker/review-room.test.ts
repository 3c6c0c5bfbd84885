import { describe, expect, it } from 'vitest';
import { bookRoutes } from '@tests/support/book-routes';
import { smallBookFile } from '@tests/support/books';
import { designOf, serverOf } from '@tests/support/designs';
import { planJson, server, volume } from '@tests/support/plans';
import { resourceOf, serversReview, sideOf } from '@tests/support/sent-reviews';
import { applyEdits } from '@/engine/design';
import { readSentReview, type SentReview } from '@/features/review/format/review/sent-review';
import { DEMO_MAPS } from '@/demo/maps';
import type { MapText, PlanFile, ReviewQuestion } from './review-protocol';
import { ReviewRoom } from './review-room';

const TODAY = '2026-12-01';
const pins = { currency: 'USD', books: [{ book: 'small', revision: 3 }], exchange: [] };
const design = designOf([serverOf('front'), serverOf('back', { choice: { by: 'sku', sku: 'B-8' } })], {
  books: pins.books,
});

let budget: string | undefined;

async function room(review: SentReview = serversReview(3)) {
  const books = await bookRoutes(smallBookFile());
  const posted: string[] = [];
  const asked: string[] = [];
  const made = new ReviewRoom(async (path, init) => {
    asked.push(path);
    if (path === '/api/reviews' && init?.method === 'POST') {
      posted.push(String(init.body));
      return { id: 'made' };
    }
    if (path === '/api/reviews/r') return { ...review, pins };
    if (path === '/api/designs/d') {
      const assumptions = { ...design.assumptions, ...(budget !== undefined && { budget }) };
      return { design: { ...design, assumptions }, revision: 4 };
    }
    return path.startsWith('/api/books/') ? books.fetchJson(path) : null;
  });
  const ask = (question: ReviewQuestion) => made.answer(question) as Promise<never>;
  return { ask, posted, asked };
}

const of = { id: 'r', revision: 0, load: null };
const work = { ask: 'work' as const, ...of, teamLimits: null, today: TODAY, whatIfs: [], link: null };

describe('the room of a review', () => {
  it('works it out with lean and heavy, and every way it could be otherwise', async () => {
    const { ask, asked } = await room();
    const answer = await ask({
      ...work,
      whatIfs: [
        { name: 'Elsewhere', change: { is: 'region', book: 'small', region: 'tasman' } },
        { name: 'Heavy', change: { is: 'case', case: 'heavy' } },
      ],
    });
    expect(answer).toMatchObject({
      review: { totals: { before: '73', after: '219', difference: '146' } },
      limits: { state: 'kept' },
      lean: { after: '219' },
      heavy: { after: '219' },
      columns: [{ name: 'Elsewhere' }, { name: 'Heavy', after: '219', difference: '0' }],
    });
    const { columns, offered } = answer as { columns: { after: string }[]; offered: { terms: string[] } };
    // In Tasman the same server has another price, which had to be fetched.
    expect(columns[0]!.after).not.toBe('219');
    expect(Number(columns[0]!.after)).toBeGreaterThan(0);
    expect(offered.terms).toContain('on-demand');
    // The extract is fetched once, whatever is asked of it.
    await ask({ ...work, today: '2026-12-02' });
    await ask({ ask: 'explain', ...of, line: 'quay_server.web', side: 'after' });
    expect(asked.filter((path) => path === '/api/reviews/r')).toHaveLength(1);
  });

  it('explains a line by the very calculation, of either side', async () => {
    const { ask } = await room();
    const line = 'quay_server.web';
    expect(await ask({ ask: 'explain', ...of, line, side: 'after' })).toMatchObject({ value: '219' });
    expect(await ask({ ask: 'explain', ...of, line, side: 'before' })).toMatchObject({ value: '73' });
    expect(await ask({ ask: 'explain', ...of, line: 'nobody', side: 'after' })).toBeNull();
  });

  it('holds it against the limits of the team, with what keeps it under', async () => {
    const { ask } = await room();
    const teamLimits = 'wick: limits\nversion: 1\nlimits:\n  - { id: month, most: { total: 100 } }\n';
    expect(await ask({ ...work, teamLimits })).toMatchObject({
      limits: {
        state: 'failed',
        broken: [{ limit: { id: 'month' }, found: '219', remedy: { is: 'leave', total: '73' } }],
      },
    });
    // Whoever asks without them is not told of them.
    expect(await ask(work)).toMatchObject({ limits: { state: 'kept' } });
  });

  it('holds it against the budget of the design it comes from, and says where that is not known', async () => {
    const { ask } = await room();
    const teamLimits = 'wick: limits\nversion: 1\nlimits:\n  - { id: purse, budget: true }\n';
    expect(await ask({ ...work, teamLimits })).toMatchObject({ limits: { unchecked: ['purse'] } });
    const link = { repository: 'quay/harbour', design: 'd', matches: {} };
    // Without a budget there is nothing to hold.
    expect(await ask({ ...work, teamLimits, link })).toMatchObject({ limits: { unchecked: ['purse'] } });
    budget = '200';
    // One server of 73 becomes three.
    expect(await ask({ ...work, teamLimits, link, today: '2026-12-02' })).toMatchObject({
      limits: { state: 'failed', broken: [{ limit: { id: 'purse' }, found: '219', over: '19' }] },
    });
    budget = undefined;
  });

  it('says which design it moves, by edits that can be taken back', async () => {
    const { ask } = await room();
    const effect = {
      ask: 'effect' as const,
      ...of,
      repository: 'quay/harbour',
      design: 'd',
      said: {},
      turn: 0,
    };
    const answer = (await ask(effect)) as {
      edits: never[];
      inverse: never[];
      revision: number;
      lines: { match: object }[];
    };
    expect(answer).toMatchObject({ revision: 4, totals: { difference: '146' }, rows: [{ id: 'front' }] });
    expect(answer.lines[0]!.match).toEqual({ is: 'line', line: 'front' });
    const there = applyEdits(design, answer.edits);
    if (!there.ok) throw new Error(there.issue.code);
    const back = applyEdits(there.value.design, answer.inverse);
    expect(back.ok && back.value.design).toEqual(design);
    await expect(ask({ ...effect, design: 'gone' })).rejects.toThrow('not there any more');
  });

  it('shows what is kept, part by part, and drafts a load profile for what is missing', async () => {
    const store = resourceOf(
      'quay_store.a',
      null,
      sideOf({ ...serverOf('quay_store.a'), kind: 'transfer-out', choice: { by: 'sku', sku: 'OUT' } }),
    );
    const review = serversReview(2);
    const { ask } = await room({
      ...review,
      extract: { ...review.extract, resources: [...review.extract.resources, store] },
    });
    expect(await ask({ ask: 'kept', ...of, from: 1, count: 1 })).toMatchObject({
      total: 2,
      resources: [{ address: 'quay_store.a' }],
    });
    expect(await ask({ ask: 'draft-load', ...of })).toContain('quay_store.a');
  });

  it('says when the review is not there any more, and asks again later', async () => {
    const { ask, asked } = await room();
    await expect(ask({ ...work, id: 'gone' })).rejects.toThrow('not there any more');
    await expect(ask({ ...work, id: 'gone' })).rejects.toThrow('not there any more');
    expect(asked.filter((path) => path === '/api/reviews/gone')).toHaveLength(2);
  });
});

describe('reading a plan in the browser', () => {
  const maps: MapText[] = Object.entries(DEMO_MAPS).map(([name, text]) => ({ name, text, own: false }));
  const CANARY = 'CANARY-5d1f';
  const file = (data: unknown, name = 'plan.json'): PlanFile => ({
    path: name,
    file: new File([typeof data === 'string' ? data : JSON.stringify(data)], name),
  });
  const plan = planJson([
    {
      address: 'norvane_server.web',
      after: server('bal-4-16', { start_script: CANARY, password: CANARY }),
      secretAfter: { password: true },
    },
    { address: 'norvane_volume.data', before: volume(10), after: volume(20, { key: CANARY }) },
    { address: 'norvane_lighthouse.board', after: { lamp: CANARY } },
  ]);
  const named = {
    ...{ repository: 'by-hand', change: 'x', commit: '1', branch: '', title: '', author: '' },
    ...{ load: null, limits: null },
  };

  it('says what the maps make of it, and drafts rules for what has none', async () => {
    const { ask } = await room();
    const answer = (await ask({ ask: 'read', plan: [file(plan)], against: null, maps })) as {
      types: unknown[];
      draft: string;
    };
    expect(answer).toMatchObject({
      ok: true,
      types: [
        { type: 'norvane_lighthouse', count: 1, map: null },
        { type: 'norvane_server', count: 1, map: 'Norvane' },
        { type: 'norvane_volume', count: 1, map: 'Norvane', is: 'Block volume' },
      ],
    });
    expect(answer.draft).toContain('norvane_lighthouse');
    expect(JSON.stringify(answer)).not.toContain(CANARY);
  });

  it('takes a rule of the team’s own before one that ships, also from a map of the same name', async () => {
    const { ask } = await room();
    const text =
      'wick: resource-map\nversion: 1\ntitle: Ours\nproviders: {}\nrules:\n  - { type: norvane_volume, free: They are a gift. }\n';
    const own: MapText = { name: 'norvane', text, own: true };
    expect(await ask({ ask: 'read', plan: [file(plan)], against: null, maps: [...maps, own] })).toMatchObject(
      {
        types: expect.arrayContaining([
          expect.objectContaining({ type: 'norvane_volume', map: 'Ours', is: 'free: They are a gift.' }),
        ]),
      },
    );
  });

  it('sends the extract and nothing else of it', async () => {
    const { ask, posted } = await room();
    await expect(ask({ ask: 'hand-in', as: named })).rejects.toThrow('Choose a plan first');
    await ask({ ask: 'read', plan: [file(plan)], against: null, maps });
    expect(await ask({ ask: 'hand-in', as: named })).toEqual({ id: 'made' });
    expect(posted).toHaveLength(1);
    expect(JSON.stringify(plan)).toContain(CANARY);
    expect(posted[0]).not.toContain(CANARY);
    expect(readSentReview(JSON.parse(posted[0]!)).ok).toBe(true);
  });

  it('holds a plan against another', async () => {
    const { ask } = await room();
    const before = planJson([{ address: 'norvane_volume.data', after: volume(10) }]);
    const after = planJson([{ address: 'norvane_volume.data', after: volume(30) }]);
    const answer = await ask({ ask: 'read', plan: [file(after)], against: file(before).file, maps });
    expect(answer).toMatchObject({
      ok: true,
      resources: [{ address: 'norvane_volume.data', action: 'update' }],
    });
  });

  it('says of a faulty file which one, and keeps nothing of it', async () => {
    const { ask } = await room();
    await ask({ ask: 'read', plan: [file(plan)], against: null, maps });
    const broken = await ask({ ask: 'read', plan: [file('{"a":', 'broken.json')], against: null, maps });
    expect(broken).toMatchObject({ ok: false, file: 'broken.json' });
    await expect(ask({ ask: 'hand-in', as: named })).rejects.toThrow('Choose a plan first');
    const own: MapText = { name: 'ours', text: 'wick: resource-map\nversion: 1\nrules: 7', own: true };
    expect(await ask({ ask: 'read', plan: [file(plan)], against: null, maps: [...maps, own] })).toMatchObject(
      {
        ok: false,
        file: 'ours',
      },
    );
  });
});
