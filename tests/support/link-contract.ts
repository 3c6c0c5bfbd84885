/** What links must do over every pair of stores. */
import { beforeEach, describe, expect, it } from 'vitest';
import { writeDesign } from '@/features/design/format/design';
import { type Context, type Stores } from '@/stores/ports';
import {
  createLink,
  explainedLines,
  linkedTrace,
  listLinks,
  openLink,
  withdrawLink,
} from '@/features/report/use/links';
import { deleteDesign, importDesign } from '@/features/design/use/designs';
import { editDesign } from '@/features/design/use/edit-design';
import { importBook } from '@/features/price-books/use/import-book';
import { smallBookFile } from './books';
import { agreementOf, designOf, serverOf } from './designs';
import { ELSEWHERE, testContext } from './store-contract';
import { uploadOf } from './upload';

const wanted = (part: object = {}) => ({
  options: { variant: 'full', validUntil: null, withAgreements: false },
  pinned: true,
  expires: null,
  ...part,
});

const AGREEMENT = agreementOf({ covers: { skus: ['A-4'] } });

export function linkContract(name: string, make: () => Promise<Stores>): void {
  describe(`links ${name}`, () => {
    let context: Context;
    let other: Context;
    let design: string;
    beforeEach(async () => {
      const stores = await make();
      context = testContext(stores);
      other = testContext(stores, ELSEWHERE);
      await importBook(context, uploadOf(smallBookFile()));
      const pins = { books: [{ book: 'small', revision: 3 }], agreements: [AGREEMENT] };
      design = await importDesign(
        context,
        writeDesign(designOf([serverOf('a'), serverOf('b', { choice: { by: 'sku', sku: 'A-8' } })], pins)),
      );
    });
    const grow = () =>
      editDesign(context, design, {
        baseRevision: 0,
        batch: crypto.randomUUID(),
        edits: [{ edit: 'set-component', id: 'a', field: 'count', value: { likely: '9' } }],
      });
    const counts = async (token: string) =>
      (await openLink(context, token)).report.sections[0]!.lines.map((line) => line.count);

    it('stay on their revision, or follow', async () => {
      const pinned = await createLink(context, design, wanted());
      const following = await createLink(context, design, wanted({ pinned: false }));
      await grow();
      expect(await counts(pinned.token)).toEqual(['1', '1']);
      expect(await counts(following.token)).toEqual(['9', '1']);
    });

    it('have addresses that cannot be guessed, one each', async () => {
      const links = await Promise.all([1, 2, 3].map(() => createLink(context, design, wanted())));
      expect(new Set(links.map((link) => link.token)).size).toBe(3);
      for (const { token } of links) expect(token).toMatch(/^[\w-]{32}$/);
      const kept = await listLinks(context, design);
      expect(kept).toHaveLength(3);
      // Whoever reads what is kept cannot open anything with it.
      for (const { token } of links) expect(JSON.stringify(kept)).not.toContain(token);
      for (const { tokenHash } of kept) {
        await expect(openLink(context, tokenHash)).rejects.toMatchObject({ code: 'not-found' });
      }
    });

    it('open nothing when withdrawn, expired, invented, or when the design is gone', async () => {
      const { link, token } = await createLink(context, design, wanted({ expires: '2999-01-01' }));
      const later = { ...context, now: () => new Date('2999-01-02T00:00:01Z') };
      const closed = { code: 'not-found' };
      await expect(openLink(context, token)).resolves.toMatchObject({ link: { id: link.id } });
      await expect(openLink(later, token)).rejects.toMatchObject(closed);
      await expect(openLink(context, `${token}x`)).rejects.toMatchObject(closed);
      for (const odd of ['x'.repeat(9999), 'x'.repeat(32), '\u0000', `${token.slice(1)}\u0000`, ''])
        await expect(openLink(context, odd)).rejects.toMatchObject(closed);
      const second = await createLink(context, design, wanted());
      await withdrawLink(context, link.id);
      await expect(openLink(context, token)).rejects.toMatchObject(closed);
      await expect(withdrawLink(context, link.id)).rejects.toMatchObject(closed);
      await deleteDesign(context, design);
      await expect(openLink(context, second.token)).rejects.toMatchObject(closed);
    });

    it('are the affair of their own workspace', async () => {
      const { link, token } = await createLink(context, design, wanted());
      const missing = { code: 'not-found' };
      await expect(createLink(other, design, wanted())).rejects.toMatchObject(missing);
      await expect(listLinks(other, design)).rejects.toMatchObject(missing);
      await expect(withdrawLink(other, link.id)).rejects.toMatchObject(missing);
      await expect(openLink(context, token)).resolves.toBeTruthy();
    });

    it('never show agreements unless chosen, and explain only what holds none', async () => {
      const plain = await createLink(context, design, wanted());
      const opened = await openLink(context, plain.token);
      expect([...explainedLines(opened)]).toEqual(['b']);
      expect([opened.report.agreements, opened.report.rates]).toEqual([[], []]);
      await expect(linkedTrace(context, plain.token, 'a')).rejects.toMatchObject({ code: 'not-found' });
      await expect(linkedTrace(context, plain.token, 'b')).resolves.toMatchObject({ operation: 'product' });
      const options = { variant: 'full', validUntil: null, withAgreements: true };
      const chosen = await createLink(context, design, wanted({ options }));
      expect((await openLink(context, chosen.token)).report.agreements[0]!.label).toBe('Frame');
      await expect(linkedTrace(context, chosen.token, 'a')).resolves.toMatchObject({ operation: 'product' });
      const sold = await createLink(
        context,
        design,
        wanted({ options: { ...options, variant: 'quotation' } }),
      );
      const quotation = await openLink(context, sold.token);
      expect([quotation.report.agreements, [...explainedLines(quotation)]]).toEqual([[], []]);
    });

    it('refuse what is no link, and a day that is over', async () => {
      const refused = { code: 'invalid' };
      await expect(createLink(context, design, { pinned: true })).rejects.toMatchObject(refused);
      await expect(createLink(context, design, wanted({ expires: '2001-01-01' }))).rejects.toMatchObject(
        refused,
      );
      expect(await listLinks(context, design)).toEqual([]);
    });
  });
}
