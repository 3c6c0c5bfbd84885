/** What links of studies must do over every pair of stores. */
import { beforeEach, describe, expect, it } from 'vitest';
import { type Context, type Stores } from '@/stores/ports';
import {
  createStudyLink,
  listStudyLinks,
  openStudyLink,
  openStudyLinkByHash,
  withdrawStudyLink,
} from '@/features/own-or-rent/use/study-links';
import { deleteStudy, saveStudy, storeStudy } from '@/features/own-or-rent/use/studies';
import { readStudyReport } from '@/features/own-or-rent/use/study-file';
import { ELSEWHERE, testContext } from './store-contract';
import { quayStudy } from './studies';

const wanted = (part: object = {}) => ({ pinned: true, expires: null, ...part });
const closed = { code: 'not-found' };

export function studyLinkContract(name: string, make: () => Promise<Stores>): void {
  describe(`links of studies ${name}`, () => {
    let context: Context;
    let other: Context;
    let study: string;
    beforeEach(async () => {
      const stores = await make();
      context = testContext(stores);
      other = testContext(stores, ELSEWHERE);
      study = await storeStudy(context, quayStudy());
    });

    it('show the report that its people see, as it was or as it is', async () => {
      const pinned = await createStudyLink(context, study, wanted());
      const following = await createStudyLink(context, study, wanted({ pinned: false }));
      const before = (await readStudyReport(context, study)).report;
      await saveStudy(context, study, { baseRevision: 0, study: { ...quayStudy(), years: 7 } });
      const after = (await readStudyReport(context, study)).report;
      expect(after).not.toEqual(before);
      const kept = await openStudyLink(context, pinned.token);
      expect([kept.report, kept.revision, kept.isPinned]).toEqual([before, 0, true]);
      const newest = await openStudyLinkByHash(context, following.link.tokenHash);
      expect([newest.report, newest.revision, newest.isPinned]).toEqual([after, 1, false]);
    }, 60_000);

    it('have keys that are told once and kept as hashes', async () => {
      const made = await Promise.all([1, 2, 3].map(() => createStudyLink(context, study, wanted())));
      expect(new Set(made.map(({ token }) => token)).size).toBe(3);
      const kept = await listStudyLinks(context, study);
      expect(kept.map(({ id }) => id).sort()).toEqual(made.map(({ link }) => link.id).sort());
      for (const { token } of made) expect(JSON.stringify(kept)).not.toContain(token);
      for (const { tokenHash } of kept)
        await expect(openStudyLink(context, tokenHash)).rejects.toMatchObject(closed);
    });

    it('open nothing when withdrawn, expired, invented, or when the study is gone', async () => {
      const { link, token } = await createStudyLink(context, study, wanted({ expires: '2999-01-01' }));
      const later = { ...context, now: () => new Date('2999-01-02T00:00:01Z') };
      await expect(openStudyLink(later, token)).rejects.toMatchObject(closed);
      for (const odd of [`${token}x`, 'x'.repeat(32), '', `${token.slice(1)}\u0000`])
        await expect(openStudyLink(context, odd)).rejects.toMatchObject(closed);
      await withdrawStudyLink(context, link.id);
      await expect(openStudyLink(context, token)).rejects.toMatchObject(closed);
      await expect(openStudyLinkByHash(context, link.tokenHash)).rejects.toMatchObject(closed);
      await expect(withdrawStudyLink(context, link.id)).rejects.toMatchObject(closed);
      const second = await createStudyLink(context, study, wanted());
      await deleteStudy(context, study);
      await expect(openStudyLink(context, second.token)).rejects.toMatchObject(closed);
    });

    it('are the affair of their own workspace, and refuse what is no link', async () => {
      const { link } = await createStudyLink(context, study, wanted());
      await expect(createStudyLink(other, study, wanted())).rejects.toMatchObject(closed);
      await expect(listStudyLinks(other, study)).rejects.toMatchObject(closed);
      await expect(withdrawStudyLink(other, link.id)).rejects.toMatchObject(closed);
      await expect(withdrawStudyLink(context, 'x')).rejects.toMatchObject(closed);
      const refused = { code: 'invalid' };
      await expect(createStudyLink(context, study, {})).rejects.toMatchObject(refused);
      await expect(createStudyLink(context, study, wanted({ options: {} }))).rejects.toMatchObject(refused);
      await expect(createStudyLink(context, study, wanted({ expires: '2001-01-01' }))).rejects.toMatchObject(
        refused,
      );
      expect(await listStudyLinks(context, study)).toHaveLength(1);
    });
  });
}
