/** What studies must do over every pair of stores. */
import { beforeEach, describe, expect, it } from 'vitest';
import { isSame } from '@/engine/design';
import { type Context, type Stores } from '@/stores/ports';
import {
  deleteStudy,
  listStudies,
  openStudy,
  openStudyAt,
  readStudyHistory,
  restoreStudy,
  saveStudy,
  storeStudy,
} from '@/features/own-or-rent/use/studies';
import { MOST_STUDY_REVISIONS } from '@/features/own-or-rent/use/study-ports';
import { ELSEWHERE, testContext } from './store-contract';
import { quayStudy } from './studies';

export function studyContract(name: string, make: () => Promise<Stores>): void {
  describe(`studies ${name}`, () => {
    let context: Context;
    let other: Context;
    beforeEach(async () => {
      const stores = await make();
      context = testContext(stores);
      other = testContext(stores, ELSEWHERE);
    });

    it('come back as they were stored, and are listed', async () => {
      const id = await storeStudy(context, quayStudy());
      const { study, revision } = await openStudy(context, id);
      expect(isSame(study, quayStudy())).toBe(true);
      expect(revision).toBe(0);
      expect(await listStudies(context)).toMatchObject([
        { id, title: 'Quay', origin: 'typed', currency: 'USD', years: 5, parts: 4, variants: 2 },
      ]);
    });

    it('are saved by the revision they were based on, and kept as they were', async () => {
      const id = await storeStudy(context, quayStudy());
      const longer = { ...quayStudy(), years: 7 };
      expect(await saveStudy(context, id, { baseRevision: 0, study: longer })).toBe(1);
      await expect(saveStudy(context, id, { baseRevision: 0, study: quayStudy() })).rejects.toMatchObject({
        code: 'conflict',
      });
      expect((await openStudy(context, id)).study.years).toBe(7);
      expect((await readStudyHistory(context, id)).map(({ revision }) => revision)).toEqual([1, 0]);
      expect((await openStudyAt(context, id, 0)).years).toBe(5);
    });

    it('keep so many revisions, the newest', async () => {
      const id = await storeStudy(context, quayStudy());
      for (let baseRevision = 0; baseRevision < MOST_STUDY_REVISIONS; baseRevision += 1)
        await saveStudy(context, id, { baseRevision, study: quayStudy() });
      const history = await readStudyHistory(context, id);
      expect(history.length).toBe(MOST_STUDY_REVISIONS);
      expect(history[0]!.revision).toBe(MOST_STUDY_REVISIONS);
      await expect(openStudyAt(context, id, 0)).rejects.toMatchObject({ code: 'not-found' });
    });

    it('are refused with what is wrong, and nothing is kept', async () => {
      await expect(storeStudy(context, { ...quayStudy(), years: 9 })).rejects.toMatchObject({
        code: 'invalid',
        message: 'This cannot be saved: years: must be at most 7.',
      });
      expect(await listStudies(context)).toEqual([]);
    });

    it('can be deleted and restored', async () => {
      const id = await storeStudy(context, quayStudy());
      await deleteStudy(context, id);
      await expect(openStudy(context, id)).rejects.toMatchObject({ code: 'not-found' });
      expect(await listStudies(context)).toEqual([]);
      await restoreStudy(context, id);
      expect(await listStudies(context)).toHaveLength(1);
      await expect(restoreStudy(context, id)).rejects.toMatchObject({ code: 'not-found' });
    });

    it('are not there for another workspace', async () => {
      const id = await storeStudy(context, quayStudy());
      expect(await listStudies(other)).toEqual([]);
      const acts = [
        () => openStudy(other, id),
        () => openStudyAt(other, id, 0),
        () => readStudyHistory(other, id),
        () => saveStudy(other, id, { baseRevision: 0, study: quayStudy() }),
        () => deleteStudy(other, id),
      ];
      for (const act of acts) await expect(act()).rejects.toMatchObject({ code: 'not-found' });
      await deleteStudy(context, id);
      await expect(restoreStudy(other, id)).rejects.toMatchObject({ code: 'not-found' });
    });
  });
}
