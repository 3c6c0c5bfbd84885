import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { smallBooks } from '@tests/support/books';
import { designOf, serverOf, transferOf, volumeOf } from '@tests/support/designs';
import { anyWideDesign, WIDE_BOOKS } from '@tests/support/wide-designs';
import { addAll } from '../base';
import type { Component, Design } from '../design';
import { type BookSet, priceDesign } from '../pricing';
import { amountChanges, differenceBetween, type Why } from './';

const SMALL = smallBooks();
const between = (before: Design, after: Design, byName = false, books: BookSet = SMALL) =>
  differenceBetween(
    { design: before, priced: priceDesign(before, books, 'likely') },
    { design: after, priced: priceDesign(after, books, 'likely') },
    byName,
  );

describe('what differs between two designs', () => {
  const a = serverOf('a', { name: 'Web' });
  const whyOf = (before: readonly Component[], after: readonly Component[]): (Why | null)[] =>
    between(designOf(before), designOf(after)).rows.map(({ why }) => why);

  it.each<[string, Component, Component, Why | null]>([
    ['nothing', a, a, null],
    ['a name', a, { ...a, name: 'Front' }, null],
    ['more of it', a, { ...a, count: { likely: '3' } }, 'quantity'],
    ['fewer hours', a, { ...a, running: { pattern: 'hours', hoursPerMonth: { likely: '300' } } }, 'quantity'],
    ['another offer', a, { ...a, choice: { by: 'sku', sku: 'A-8' } }, 'mix'],
    ['another way of paying', a, { ...a, term: '12-none' }, 'mix'],
    ['no offer any more', a, { ...a, choice: { by: 'none' } }, 'lost'],
    ['an offer now', { ...a, choice: { by: 'none' } }, a, 'found'],
    ['none, before and after', { ...a, choice: { by: 'none' } }, { ...a, choice: { by: 'none' } }, null],
  ])('%s', (_, before, after, why) => {
    expect(whyOf([before], [after])).toEqual([why]);
  });

  it('is added and gone, with the design’s change as the sum of the rows’', () => {
    const difference = between(
      designOf([a, volumeOf('v', { likely: '10' })]),
      designOf([{ ...a, count: { likely: '2' } }, transferOf('t', { likely: '250' })]),
    );
    expect(difference.rows.map(({ id, why }) => [id, why])).toEqual([
      ['a', 'quantity'],
      ['t', 'added'],
      ['v', 'gone'],
    ]);
    expect(difference.rows[0]!.change!.toString()).toBe('73');
    expect(addAll(difference.rows.map(({ change }) => change!)).toString()).toBe(
      difference.change.toString(),
    );
    expect(difference.incomplete).toBe(false);
  });

  it('is a price where a neighbour in the pool moved it', () => {
    const pool = (likely: string) =>
      designOf([transferOf('one', { likely: '100' }), transferOf('two', { likely })]);
    const rows = between(pool('50'), pool('5000')).rows;
    expect(rows.map(({ why }) => why)).toEqual(['price', 'quantity']);
  });

  it('is found by name where files give other ids', () => {
    const before = designOf([a]);
    const after = designOf([{ ...a, id: 'other', count: { likely: '2' } }]);
    expect(between(before, after).rows.map(({ why }) => why)).toEqual(['added', 'gone']);
    expect(between(before, after, true).rows.map(({ id, why }) => [id, why])).toEqual([
      ['other', 'quantity'],
    ]);
  });

  it('adds up for any two designs that have all their amounts, and says that it is incomplete for others', () => {
    fc.assert(
      fc.property(anyWideDesign, anyWideDesign, (before, after) => {
        const difference = between(before, after, false, WIDE_BOOKS);
        const missing = difference.rows.some(({ change }) => change === null);
        expect(missing && !difference.incomplete).toBe(false);
        if (missing) return;
        const sum = addAll(difference.rows.map(({ change }) => change!));
        expect(sum.minus(difference.change).abs().toNumber()).toBeLessThan(1e-15);
        for (const { why, change } of difference.rows) {
          if (why === null) expect(change!.isZero()).toBe(true);
        }
      }),
      { numRuns: 80 },
    );
  });
});

describe('changes of amounts that are known as text', () => {
  it('are those that are another amount, however they are written', () => {
    const before = new Map([
      ['a', '1.50'],
      ['b', null],
      ['c', '2'],
      ['d', '3'],
    ] as const);
    const after = new Map([
      ['c', '2'],
      ['a', '1.5'],
      ['b', '4'],
      ['e', null],
    ] as const);
    expect(amountChanges(before, after)).toEqual([
      { id: 'b', before: null, after: '4' },
      { id: 'd', before: '3', after: null },
    ]);
  });
});
