/** What change reviews must do over every pair of stores. */
import { beforeEach, describe, expect, it } from 'vitest';
import { actorOfToken, createToken, listTokens, withdrawToken } from '@/features/review/use/pipeline-tokens';
import { type Context, type Stores } from '@/stores/ports';
import {
  deleteReview,
  listCommits,
  listReviews,
  openReview,
  readRepositoryHistory,
  receiveReview,
  refreshReview,
  restoreReview,
  saveReviewLoad,
} from '@/features/review/use/reviews';
import { importBook } from '@/features/price-books/use/import-book';
import { linkRepository, readRepositoryLink } from '@/features/review/use/repository-links';
import { listTeamFiles, readTeamFileHistory, saveTeamFile } from '@/features/review/use/team-files';
import { storeDesign } from '@/features/design/use/designs';
import { smallBookFile } from './books';
import { designOf, serverOf } from './designs';
import { sentBody, serversReview } from './sent-reviews';
import { ELSEWHERE, testContext } from './store-contract';
import { uploadOf } from './upload';

const LIMIT = 'wick: limits\nversion: 1\nlimits:\n  - { id: month, most: { total: 100 } }\n';
const LOAD = 'wick: load-profile\nversion: 1\nloads: []\n';

export function reviewContract(name: string, make: () => Promise<Stores>): void {
  describe(`reviews ${name}`, () => {
    let context: Context;
    let other: Context;
    beforeEach(async () => {
      const stores = await make();
      const admin = (of: Context): Context => ({ ...of, actor: { ...of.actor, role: 'admin' } });
      context = admin(testContext(stores));
      other = admin(testContext(stores, ELSEWHERE));
      await importBook(context, uploadOf(smallBookFile()));
    });
    const at = (hour: number): Context => ({
      ...context,
      now: () => new Date(Date.UTC(2026, 10, 2, hour)),
    });
    const receive = async (review = serversReview(2), of = context) =>
      (await receiveReview(of, sentBody(review))).review.id;

    it('are priced when they come in, listed and opened', async () => {
      const id = await receive();
      const [listed] = await listReviews(context);
      expect(listed).toMatchObject({
        id,
        repository: 'quay/harbour',
        change: '7',
        commits: 1,
        phase: 'open',
      });
      expect(listed!.summary).toMatchObject({ before: '73', after: '146', difference: '73', limits: 'kept' });
      const opened = await openReview(context, id);
      expect(opened.extract).toEqual(serversReview(2).extract);
      expect(opened.pins.books).toEqual([{ book: 'small', revision: 3 }]);
    });

    it('are one for each commit: sent again, the same', async () => {
      const id = await receive();
      const again = await receiveReview(context, sentBody(serversReview(2)));
      expect(again).toMatchObject({ isNew: false, review: { id, revision: 0 } });
      const other = await receiveReview(context, sentBody(serversReview(3)));
      expect(other).toMatchObject({ isNew: false, review: { id, revision: 1, summary: { after: '219' } } });
      expect(await listReviews(context)).toHaveLength(1);
    });

    it('list of a change the newest commit, and keep the others', async () => {
      await receive(serversReview(2), at(8));
      const newest = await receive(serversReview(3, { commit: 'a2' }), at(9));
      expect(await listReviews(context)).toMatchObject([{ id: newest, commits: 2 }]);
      const commits = await listCommits(context, { repository: 'quay/harbour', change: '7' });
      expect(commits.map(({ commit }) => commit)).toEqual(['a2', 'a1']);
    });

    it('are the history of their repository once they are merged, in order', async () => {
      await receive(serversReview(3, { change: '8', phase: 'merged' }), at(10));
      await receive(serversReview(2, { phase: 'merged' }), at(9));
      await receive(serversReview(5, { change: '9' }), at(11));
      const history = await readRepositoryHistory(context, 'quay/harbour');
      expect(history.map(({ change }) => change)).toEqual(['7', '8']);
      // Told again that it is merged, it was merged when it was.
      await receive(serversReview(2, { phase: 'merged' }), at(12));
      expect((await readRepositoryHistory(context, 'quay/harbour')).map(({ change }) => change)).toEqual([
        '7',
        '8',
      ]);
      await expect(readRepositoryHistory(context, 'nowhere')).rejects.toMatchObject({ code: 'not-found' });
    });

    it('keep use that people said, also when the pipeline runs once more', async () => {
      const id = await receive();
      expect(await saveReviewLoad(context, id, { baseRevision: 0, load: LOAD })).toBe(1);
      await expect(saveReviewLoad(context, id, { baseRevision: 0, load: null })).rejects.toMatchObject({
        code: 'conflict',
      });
      await receive(serversReview(2, { phase: 'merged' }));
      expect(await openReview(context, id)).toMatchObject({ load: LOAD, phase: 'merged' });
      // Another file beside the code wins over what was said on the screen.
      await receive(serversReview(2, { load: `${LOAD}# from the code\n` }));
      expect((await openReview(context, id)).load).toContain('from the code');
      const faulty = { baseRevision: 2, load: 'wick: nonsense' };
      await expect(saveReviewLoad(context, id, faulty)).rejects.toMatchObject({ code: 'invalid' });
    });

    it('are refused whole where the extract or a file is faulty', async () => {
      const { extract } = serversReview(2);
      for (const wrong of [
        { ...serversReview(2), limits: 'wick: limits\nversion: 1\nlimits: [{ id: x, most: { moon: 1 } }]' },
        { ...serversReview(2), extract: { ...extract, resources: [{ address: 'x' }] } },
        { ...serversReview(2), repository: '' },
        { ...serversReview(2), values: { password: 'x' } },
      ])
        await expect(receiveReview(context, sentBody(wrong as never))).rejects.toMatchObject({
          code: 'invalid',
        });
      expect(await listReviews(context)).toEqual([]);
    });

    it('are deleted and brought back', async () => {
      const id = await receive();
      await deleteReview(context, id);
      expect(await listReviews(context)).toEqual([]);
      await expect(openReview(context, id)).rejects.toMatchObject({ code: 'not-found' });
      await restoreReview(context, id);
      expect((await openReview(context, id)).summary).toMatchObject({ after: '146' });
    });

    it('are not there for another workspace', async () => {
      const id = await receive();
      expect(await listReviews(other)).toEqual([]);
      for (const act of [
        () => openReview(other, id),
        () => deleteReview(other, id),
        () => restoreReview(other, id),
        () => saveReviewLoad(other, id, { baseRevision: 0, load: null }),
        () => readRepositoryHistory(other, 'quay/harbour'),
      ])
        await expect(act()).rejects.toMatchObject({ code: 'not-found' });
      // The same names there are another review.
      const theirs = await receive(serversReview(9), other);
      expect(theirs).not.toBe(id);
      expect((await openReview(context, id)).summary).toMatchObject({ after: '146' });
    });

    it('a summary of an earlier revision is not kept', async () => {
      const id = await receive();
      const { summary } = await openReview(context, id);
      await saveReviewLoad(context, id, { baseRevision: 0, load: LOAD });
      await context.reviews.saveSummary(context.actor.workspace, id, 0, { ...summary!, after: '1' });
      expect((await openReview(context, id)).summary?.after).not.toBe('1');
    });

    it('open changes are held against the limits of the team as they are now', async () => {
      const open = await receive();
      const merged = await receive(serversReview(2, { change: '8', phase: 'merged' }));
      await saveTeamFile(context, 'limits', { name: 'limits', baseRevision: 0, text: LIMIT });
      await listReviews(context);
      await refreshReview(context, open);
      expect((await openReview(context, open)).summary).toMatchObject({
        limits: 'failed',
        broken: ['month'],
      });
      // What was merged stays as it was judged.
      expect((await openReview(context, merged)).summary).toMatchObject({ limits: 'kept' });
    });

    it('files of the team have revisions, and are refused where they cannot be read', async () => {
      const save = (baseRevision: number, text: string, of = context) =>
        saveTeamFile(of, 'limits', { name: 'limits', baseRevision, text });
      expect(await save(0, LIMIT)).toBe(1);
      await expect(save(0, LIMIT)).rejects.toMatchObject({ code: 'conflict' });
      expect(await save(1, '')).toBe(2);
      await expect(save(2, 'wick: limits\nversion: 1\nlimits: 3')).rejects.toMatchObject({
        code: 'invalid',
        detail: { faults: [{ line: 3 }] },
      });
      const history = await readTeamFileHistory(context, 'limits', 'limits');
      expect(history.map(({ revision, text }) => [revision, text])).toEqual([
        [2, ''],
        [1, LIMIT],
      ]);
      expect(await listTeamFiles(other, 'limits')).toEqual([]);
      expect(await save(0, LIMIT, other)).toBe(1);
      await expect(
        saveTeamFile(context, 'map', { name: '../x', baseRevision: 0, text: '' }),
      ).rejects.toMatchObject({ code: 'invalid' });
    });

    it('tokens open one workspace for one purpose until they are withdrawn', async () => {
      const { token, secret } = await createToken(context, { name: 'Pipeline' });
      const { actor: _, ...outside } = context;
      const actor = await actorOfToken(outside, secret);
      expect(actor).toMatchObject({ workspace: context.actor.workspace, role: 'pipeline' });
      const inside: Context = { ...outside, actor };
      const { review } = await receiveReview(inside, sentBody(serversReview(2)));
      await expect(openReview(inside, review.id)).rejects.toMatchObject({ code: 'forbidden' });
      await expect(listReviews(inside)).rejects.toMatchObject({ code: 'forbidden' });
      const [kept] = await listTokens(context);
      expect(kept!.lastUsedAt).not.toBeNull();
      expect(JSON.stringify(kept)).not.toContain(secret.slice('wick_'.length));
      expect(await listTokens(other)).toEqual([]);
      await expect(withdrawToken(other, token.id)).rejects.toMatchObject({ code: 'not-found' });
      await withdrawToken(context, token.id);
      for (const wrong of [secret, null, '', 'wick_', `${secret}x`, secret.slice('wick_'.length)])
        await expect(actorOfToken(outside, wrong)).rejects.toMatchObject({ code: 'unknown-token' });
    });

    it('a repository has the design of its own workspace, or none', async () => {
      const design = await storeDesign(context, designOf([serverOf('a')]));
      const repository = 'quay/harbour';
      await linkRepository(context, { repository, design, matches: { x: { is: 'line', line: 'a' } } });
      expect(await readRepositoryLink(context, repository)).toEqual({
        ...{ repository, design },
        matches: { x: { is: 'line', line: 'a' } },
      });
      expect(await readRepositoryLink(other, repository)).toBeNull();
      await expect(linkRepository(other, { repository, design })).rejects.toMatchObject({
        code: 'not-found',
      });
      await expect(linkRepository(context, { repository, design: 7 })).rejects.toMatchObject({
        code: 'invalid',
      });
      await linkRepository(context, { repository, design: null });
      expect(await readRepositoryLink(context, repository)).toBeNull();
    });

    it('a change is held against the budget of the design that its repository comes from', async () => {
      const limits = 'wick: limits\nversion: 1\nlimits:\n  - { id: purse, budget: true }\n';
      const id = await receive(serversReview(3, { limits }));
      expect((await openReview(context, id)).summary).toMatchObject({ limits: 'kept' });
      const books = [{ book: 'small', revision: 3 }];
      const plain = designOf([serverOf('front')], { books });
      const assumptions = { ...plain.assumptions, budget: '100' };
      const design = await storeDesign(context, { ...plain, assumptions });
      await linkRepository(context, { repository: 'quay/harbour', design });
      await refreshReview(context, id);
      expect((await openReview(context, id)).summary).toMatchObject({ limits: 'failed', broken: ['purse'] });
    });

    it('what a stand-in remembers is its own, by workspace and key', async () => {
      const { workspace } = context.actor;
      await context.standIn.put(workspace, 'k', { a: 1 });
      await context.standIn.put(workspace, 'k', { a: 2 });
      expect(await context.standIn.get(workspace, 'k')).toEqual({ a: 2 });
      expect(await context.standIn.get(workspace, 'other')).toBeNull();
      expect(await context.standIn.get(ELSEWHERE, 'k')).toBeNull();
    });
  });
}
