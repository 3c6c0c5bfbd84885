import { describe, expect, it } from 'vitest';
import { smallBooks } from '@tests/support/books';
import { designOf, serverOf } from '@tests/support/designs';
import { WIDE_BOOKS } from '@tests/support/wide-designs';
import { compareOffers, compareTerms } from './';

const books = smallBooks();

describe('lists of alternatives', () => {
  it('prices every term of the same server, with its saving', () => {
    const rows = compareTerms(serverOf('a'), designOf([]), books);
    const shown = rows.map(({ term, line, saving }) => [
      term,
      line.status === 'priced' ? line.monthly.value.toString() : null,
      saving?.toString() ?? null,
    ]);
    expect(shown).toEqual([
      ['on-demand', '73', '0'],
      ['12-none', '51.1', '0.3'],
      ['12-part', '50.55', '0.3075342465753424657534246575342466'],
      ['12-all', '50', '0.3150684931506849315068493150684932'],
      ['36-none', null, null],
      ['36-part', '34.6', '0.5260273972602739726027397260273973'],
      ['36-all', null, null],
    ]);
  });

  it('says what leaving a commitment early costs, for the committed part alone', () => {
    const design = designOf([], { books: [{ book: 'wide', revision: 1 }] });
    const component = serverOf('a', {
      place: { book: 'wide', region: 'severn' },
      choice: { by: 'sku', sku: 'S-4' },
      count: { likely: '2' },
    });
    const rows = compareTerms(component, design, WIDE_BOOKS);
    expect(rows.filter((row) => row.leaving).map((row) => row.term)).toEqual(['12-none']);
    const { leaving } = rows.find((row) => row.term === '12-none')!;
    // 2 × 730 h: committed 0.06 = 87.60 a month, 1 051.20 whenever it ends; on demand 0.10 = 146 a month.
    expect(leaving).toMatchObject({ rule: 'rest-due', breakEven: 8 });
    expect(leaving!.rows[2]!.total.value.toString()).toBe('1051.2');
    expect(leaving!.rows[2]!.onDemand.toString()).toBe('438');
  });

  it('shows what the region does not sell with the nearest region that has it', () => {
    const rows = compareOffers(
      serverOf('a', { place: { book: 'small', region: 'elbe' } }),
      designOf([]),
      books,
    );
    expect(rows.find((row) => row.offer.sku === 'A-4')).toMatchObject({
      soldHere: false,
      monthly: null,
      nearest: { code: 'severn' },
    });
    expect(rows.find((row) => row.offer.sku === 'A-8')).toMatchObject({ soldHere: true });
    expect(rows).toHaveLength(6);
  });
});
