import { describe, expect, it } from 'vitest';
import { smallBooks } from '@tests/support/books';
import { agreementOf, designOf, serverOf } from '@tests/support/designs';
import type { Design } from '@/engine/design';
import { KINDS } from '@/engine/books';
import { planOf } from '@/engine/pricing';
import { findingsOf } from './';

const BOOKS = smallBooks();

function said(check: string, part: Partial<Design>, start: string | null = '2027-01'): readonly string[] {
  const { start: _, ...assumptions } = { ...designOf([]).assumptions, ...part.assumptions };
  const design = designOf([serverOf('a')], {
    ...part,
    assumptions: start ? { ...assumptions, start } : assumptions,
  });
  return findingsOf(planOf(design, BOOKS), () => 'new')
    .filter((each) => each.check === check)
    .map((each) => each.says);
}

type Part = Parameters<typeof agreementOf>[0];

const agreement = (part: Part): Partial<Design> => ({ agreements: [agreementOf(part)] });

describe('an agreement that may not hold', () => {
  const price = (meter: string) => ({ by: 'price', meter, price: '1' }) as const;
  it.each<[string, Part, string | null, string | null]>([
    ['open at both ends', {}, '2027-01', null],
    ['that runs', { from: '2026-01-01', to: '2027-12-31' }, '2027-01', null],
    ['whose last day is the first day', { to: '2027-01-01' }, '2027-01', null],
    ['over the day before', { to: '2026-12-31' }, '2027-01', 'is over since 2026-12-31'],
    ['that begins on the second day', { from: '2027-01-02' }, '2027-01', 'begins on 2027-01-02'],
    ['with a date, in a design without months', { from: '2020-01-01' }, null, 'cannot be judged'],
    ['without dates, in a design without months', {}, null, null],
    ['for a book not pinned', { covers: { books: ['elsewhere'] } }, '2027-01', 'covers elsewhere'],
    ['for a book pinned', { covers: { books: ['small'] } }, '2027-01', null],
    ['for no category there is', { covers: { categories: ['Computer'] } }, '2027-01', 'Computer'],
    ['for a category', { covers: { categories: [KINDS[0]!.serviceCategory] } }, '2027-01', null],
    ['for the price of a meter that servers have', { discount: price('running') }, '2027-01', null],
    ['for the price of a meter that none has', { discount: price('walking') }, '2027-01', 'walking'],
    [
      'for the price of a meter of something else',
      { discount: price('transferred'), covers: { kinds: ['server'] } },
      '2027-01',
      'nothing that it covers here is charged',
    ],
    [
      'for the price of an offer that is not here',
      { discount: price('running'), covers: { skus: ['B-9'] } },
      '2027-01',
      'changes nothing',
    ],
  ])('%s', (_, part, start, expected) => {
    const found = said('agreement-cannot-hold', agreement(part), start);
    expect(found).toEqual(expected ? [expect.stringContaining(expected)] : []);
  });
});

describe('several exchange rates', () => {
  const rates = (...exchange: Design['assumptions']['exchange']): Partial<Design> => ({
    assumptions: { ...designOf([]).assumptions, exchange },
  });
  const rate = (from: string, to: string, date: string) => ({ from, to, date, rate: '1.1' });

  it('of one pair, in either direction, are told with their dates', () => {
    const found = said(
      'several-exchange-rates',
      rates(rate('EUR', 'USD', '2026-11-01'), rate('USD', 'EUR', '2026-10-01')),
    );
    expect(found).toEqual([
      'Between EUR and USD there are 2 rates, of 2026-10-01 and 2026-11-01; one of them counts.',
    ]);
  });

  it('of different pairs are not', () => {
    const found = said(
      'several-exchange-rates',
      rates(rate('EUR', 'USD', '2026-11-01'), rate('GBP', 'USD', '2026-11-01')),
    );
    expect(found).toEqual([]);
  });
});
