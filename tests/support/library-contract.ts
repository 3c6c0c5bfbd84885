/** What kept things and starters must do over every pair of stores. */
import { beforeEach, describe, expect, it } from 'vitest';
import { writeDesign } from '@/features/design/format/design';
import { beginWith, listStarters } from '@/features/design/use/starters';
import { type Context, type Stores } from '@/stores/ports';
import { removeFromLibrary, keep, keepAsStarter, listLibrary } from '@/features/design/use/library';
import { importBook } from '@/features/price-books/use/import-book';
import { importDesign, openDesign } from '@/features/design/use/designs';
import { priceDesignOnServer } from '@/features/design/use/price-design';
import { smallBookFile } from './books';
import { designOf, serverOf } from './designs';
import { ELSEWHERE, testContext } from './store-contract';
import { uploadOf } from './upload';

export function libraryContract(name: string, make: () => Promise<Stores>): void {
  describe(`what is kept ${name}`, () => {
    let context: Context;
    let other: Context;
    beforeEach(async () => {
      const stores = await make();
      context = testContext(stores);
      other = testContext(stores, ELSEWHERE);
      await importBook(context, uploadOf(smallBookFile()));
    });
    const star = (count: string) =>
      keep(context, { what: 'component', name: 'Front', body: serverOf('a', { count: { likely: count } }) });

    it('is listed by its kind, replaced by name, forgotten, and of its own workspace', async () => {
      await star('2');
      await star('3');
      const [kept, ...others] = await listLibrary(context, 'component');
      expect([kept!.name, kept!.body, others]).toEqual([
        'Front',
        serverOf('a', { count: { likely: '3' } }),
        [],
      ]);
      expect(await listLibrary(context, 'agreement')).toEqual([]);
      expect(await listLibrary(other, 'component')).toEqual([]);
      const missing = { code: 'not-found' };
      await expect(removeFromLibrary(other, kept!.id)).rejects.toMatchObject(missing);
      await removeFromLibrary(context, kept!.id);
      await expect(removeFromLibrary(context, kept!.id)).rejects.toMatchObject(missing);
    });

    it('is refused where it is no component and no agreement', async () => {
      const refused = { code: 'invalid' };
      await expect(keep(context, { what: 'component', name: 'x', body: {} })).rejects.toMatchObject(refused);
      await expect(keep(context, { what: 'password', name: 'x', body: {} })).rejects.toMatchObject(refused);
      expect(await listLibrary(context, 'component')).toEqual([]);
    });

    it('can be a whole design, with which others begin', async () => {
      const pins = { books: [{ book: 'small', revision: 3 }] };
      const id = await importDesign(
        context,
        writeDesign(designOf([serverOf('a')], { ...pins, title: 'Ours' })),
      );
      await keepAsStarter(context, id);
      const [own] = await listStarters(context);
      expect(own).toMatchObject({ own: true, title: 'Ours', amounts: [{ monthly: '73', missing: [] }] });
      const begun = await openDesign(context, await beginWith(context, own!.key, ''));
      expect(begun.design).toEqual((await openDesign(context, id)).design);
      expect(begun.id).not.toBe(id);
      await expect(beginWith(other, own!.key, '')).rejects.toMatchObject({ code: 'not-found' });
    });

    it('begins with a starter as it was listed: the same amount, every quantity a guess', async () => {
      const ours = (await listStarters(context)).filter((each) => !each.own);
      expect(ours.length).toBeGreaterThanOrEqual(8);
      expect(new Set(ours.map((each) => each.key)).size).toBe(ours.length);
      for (const starter of ours) {
        const [amount] = starter.amounts;
        const { design } = await openDesign(context, await beginWith(context, starter.key, amount!.book));
        const summary = await priceDesignOnServer(context, design);
        expect([starter.key, summary.printed, summary.unpriced]).toEqual([
          starter.key,
          amount!.monthly,
          amount!.missing.length,
        ]);
        expect(starter.lines).toHaveLength(design.sections.flatMap((section) => section.components).length);
      }
      const refused = { code: 'invalid' };
      await expect(beginWith(context, ours[0]!.key, 'nobody')).rejects.toMatchObject(refused);
      await expect(beginWith(context, 'nothing', 'small')).rejects.toMatchObject({ code: 'not-found' });
    });
  });
}
