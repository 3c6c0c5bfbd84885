import { SHORES, shoresDesign } from '@tests/support/two-shores';
import { smallBooks } from '@tests/support/books';
import { componentOf, designOf, serverOf, transferOf } from '@tests/support/designs';
import { describe, expect, it } from 'vitest';
import { allComponents, type Change, type Component } from '@/engine/design';
import { createAlternator } from './';

const books = smallBooks();
const design = designOf([serverOf('a', { name: 'Web' }), transferOf('t', { likely: '250' })]);

/** What each change comes to: why it does not apply, else how many lines it changed and what is said of them. */
function outcomes(changes: readonly Change[], of = design, from = books): unknown[] {
  return createAlternator(from)
    .apply(of, { changes })
    .outcomes.map(({ why, changed, lines }) =>
      why ? why.code : [changed, ...lines.flatMap(({ issues }) => issues.map(({ code }) => code))],
    );
}

const ALL = { of: 'all' } as const;

describe('a change', () => {
  it.each<[string, Change, unknown]>([
    ['pays otherwise what may be committed', { change: 'pay', what: ALL, term: '12-all' }, [1]],
    [
      'pays the same length otherwise where that is not sold',
      { change: 'pay', what: ALL, term: '36-none' },
      [1, 'move.term'],
    ],
    ['frees sizes', { change: 'size', what: ALL }, [1]],
    ['grows traffic', { change: 'traffic', what: ALL, times: '2' }, [1]],
    ['leaves out', { change: 'leave-out', what: { of: 'section', id: 'section' } }, [2]],
    ['of nothing', { change: 'pay', what: ALL, term: 'on-demand' }, 'change.nothing'],
    [
      'of a line that is gone',
      { change: 'leave-out', what: { of: 'lines', ids: ['gone'] } },
      'change.target-gone',
    ],
    [
      'of lines of which some are gone',
      { change: 'leave-out', what: { of: 'lines', ids: ['gone', 'a'] } },
      [1],
    ],
    [
      'of a section that is gone',
      { change: 'size', what: { of: 'section', id: 'gone' } },
      'change.target-gone',
    ],
    [
      'to a book that is not here',
      { change: 'move', what: ALL, book: 'nowhere', revision: 1, region: null },
      'book.missing',
    ],
    [
      'to a region that the book does not have',
      { change: 'move', what: ALL, book: 'small', revision: 3, region: 'moon' },
      'region.unknown',
    ],
    ['to a revision that is not here', { change: 'revision', book: 'small', revision: 9 }, 'book.missing'],
    [
      'of a book that is not used',
      { change: 'revision', book: 'nowhere', revision: 1 },
      'change.target-gone',
    ],
    [
      'by an edit of a line that is gone',
      {
        change: 'edit',
        edit: { edit: 'set-component', id: 'gone', field: 'count', value: { likely: '2' } },
      },
      'change.target-gone',
    ],
    [
      'by an edit that the kind does not allow',
      { change: 'edit', edit: { edit: 'set-component', id: 't', field: 'term', value: '12-all' } },
      'edit.invalid',
    ],
    [
      'that would be too large to be kept',
      { change: 'traffic', what: ALL, times: '10000' },
      [0, 'change.out-of-range'],
    ],
  ])('%s', (name, change, expected) => {
    const huge = designOf([transferOf('t', { likely: '900000000000000' })]);
    expect(outcomes([change], name.includes('too large') ? huge : design)).toEqual([expected]);
  });

  it('that does not apply leaves the others in force, and its place in the list', () => {
    const count = { edit: 'set-component', id: 'a', field: 'count', value: { likely: '5' } } as const;
    const changes: Change[] = [
      { change: 'leave-out', what: { of: 'lines', ids: ['gone'] } },
      { change: 'edit', edit: count },
    ];
    const made = createAlternator(books).apply(design, { changes });
    expect(made.outcomes.map(({ why }) => why?.code ?? null)).toEqual(['change.target-gone', null]);
    expect(allComponents(made.design)[0]!.count).toEqual({ likely: '5' });
  });

  it('moves everything to the nearest equivalent, pins the book, and says what stays', () => {
    const here = { book: 'near', region: 'severn' };
    const line = (id: string, kind: Component['kind'], sku: string) =>
      componentOf({ id, kind, place: here, choice: { by: 'sku', sku } });
    const from = {
      ...shoresDesign([line('a', 'server', 'N-4'), line('v', 'vpn', 'N-VPN')]),
      books: [{ book: 'near', revision: 1 }],
    };
    const change: Change = { change: 'move', what: ALL, book: 'far', revision: 1, region: null };
    const made = createAlternator(SHORES).apply(from, { changes: [change] });
    expect(made.design.books).toEqual([...from.books, { book: 'far', revision: 1 }]);
    expect(allComponents(made.design).map(({ place }) => place)).toEqual([
      { book: 'far', region: 'thames' },
      here,
    ]);
    expect(outcomes([change], from, SHORES)).toEqual([[1, 'move.counted', 'move.none-of-kind']]);
  });

  it('of licences brings what may be brought, and tells of the others', () => {
    const licences = [{ product: 'suite', how: 'included' as const }];
    const with_ = designOf([serverOf('a', { licences })]);
    expect(outcomes([{ change: 'licences', what: ALL, how: 'brought' }], with_)).toEqual([
      [0, 'licence.not-movable'],
    ]);
  });
});
