import { describe, expect, it } from 'vitest';
import { smallBooks } from '@tests/support/books';
import {
  agreementOf,
  componentOf,
  designOf,
  serverOf,
  storeOf,
  transferOf,
  volumeOf,
} from '@tests/support/designs';
import type { Component, Design } from '../design';
import { toPlain } from '../trace';
import { priceAlone, priceDesign } from './';

const books = smallBooks();

function monthly(component: Component, part: Partial<Design> = {}): string {
  const [line] = priceDesign(designOf([component], part), books, 'likely').sections[0]!.lines;
  if (line!.status !== 'priced') throw new Error(JSON.stringify(line!.issues));
  return line!.monthly.value.toString();
}

function issuesOf(component: Component, part: Partial<Design> = {}): string[] {
  const [line] = priceDesign(designOf([component], part), books, 'likely').sections[0]!.lines;
  return line!.status === 'unpriced' ? line!.issues.map((issue) => issue.code) : [];
}

describe('worked examples', () => {
  it('a server on demand: 2 × 730 h × 0.10 = 146', () => {
    expect(monthly(serverOf('a', { count: { likely: '2' } }))).toBe('146');
  });

  it('office hours: 10 h × 22 days × 0.10 = 22', () => {
    const running = {
      pattern: 'days' as const,
      hoursPerDay: { likely: '10' },
      daysPerMonth: { likely: '22' },
    };
    expect(monthly(serverOf('a', { running }))).toBe('22');
  });

  it('a committed server pays every hour, run or not: 730 × 0.07 = 51.1', () => {
    const running = { pattern: 'hours' as const, hoursPerMonth: { likely: '10' } };
    expect(monthly(serverOf('a', { term: '12-none', running }))).toBe('51.1');
    const [line] = priceDesign(designOf([serverOf('a', { term: '12-none', running })]), books, 'likely')
      .sections[0]!.lines;
    expect(line!.status === 'priced' && line!.notices.map((notice) => notice.code)).toEqual([
      'commitment.unused-hours',
    ]);
  });

  it('36 months, part upfront: 730 × 0.02 + 720 ÷ 36 = 34.6 a month, 720 + 36 × 14.6 over the term', () => {
    const [line] = priceDesign(designOf([serverOf('a', { term: '36-part' })]), books, 'likely').sections[0]!
      .lines;
    if (line!.status !== 'priced') throw new Error('not priced');
    expect(line!.monthly.value.toString()).toBe('34.6');
    expect([line!.recurring, line!.upfront, line!.wholeTerm?.amount].map(String)).toEqual([
      '14.6',
      '720',
      '1245.6',
    ]);
  });

  it('twelve such months are cash: upfront once and twelve recurring payments', () => {
    const priced = priceDesign(
      designOf([serverOf('a', { term: '36-part' }), serverOf('b')]),
      books,
      'likely',
    );
    expect(priced.twelveMonths.toString()).toBe('1771.2');
  });

  it('a volume is paid for what is set aside: 3 × 100 GiB × 0.08 = 24', () => {
    expect(monthly(volumeOf('a', { likely: '100' }, { count: { likely: '3' } }))).toBe('24');
  });

  it('object storage adds its meters: 1 TB × 0.02 + 4 000 writes + 2.5 million reads', () => {
    const usage = {
      stored: { amount: { likely: '1' }, unit: 'TB' },
      writes: { amount: { likely: '4000' }, unit: 'request' },
      reads: { amount: { likely: '2.5' }, unit: 'million requests' },
    };
    expect(monthly(storeOf('a', usage))).toBe('21.02');
  });

  it('transfer: 250 GB less 100 free are 10 × 1 + 90 × 0.5 + 50 × 0.1 = 60', () => {
    expect(monthly(transferOf('a', { likely: '250' }))).toBe('60');
  });

  it('without counting allowances: 250 GB are 10 + 45 + 15 = 70', () => {
    const assumptions = { month: { hours: '730' as const }, countAllowances: false, exchange: [] };
    expect(monthly(transferOf('a', { likely: '250' }), { assumptions })).toBe('70');
  });

  it('the book’s own month is 720 hours', () => {
    const assumptions = { month: { hours: 'book' as const }, countAllowances: true, exchange: [] };
    expect(monthly(serverOf('a'), { assumptions })).toBe('72');
  });
});

describe('pools', () => {
  it('counts tiers and the allowance once per region and shares by quantity', () => {
    const priced = priceDesign(
      designOf([transferOf('a', { likely: '50' }), transferOf('b', { likely: '200' })]),
      books,
      'likely',
    );
    const amounts = priced.sections[0]!.lines.map((line) =>
      line.status === 'priced' ? line.monthly.value.toString() : '',
    );
    expect(amounts).toEqual(['12', '48']);
    expect(priced.monthly.value.toString()).toBe('60');
  });

  it('say whose prices they are charged at', () => {
    const lines = [transferOf('a', { likely: '50' }), transferOf('b', { likely: '200' })];
    const agreed = agreementOf({
      name: 'Frame',
      discount: { by: 'price', meter: 'transferred', price: '0.2' },
    });
    const traces = [[], [agreed]].map((agreements) =>
      JSON.stringify(
        priceDesign(designOf(lines, { agreements }), books, 'likely').sections[0]!.lines.map((line) =>
          line.status === 'priced' ? toPlain(line.monthly) : null,
        ),
      ),
    );
    expect(traces[0]).toContain('at its own prices');
    expect(traces[1]).toContain('at the prices of “Frame”');
  });
});

describe('never silently zero', () => {
  it.each<[string, Component, string]>([
    ['no place', serverOf('a', { place: null }), 'place.missing'],
    ['no such book', serverOf('a', { place: { book: 'nowhere', region: 'severn' } }), 'book.missing'],
    ['no such region', serverOf('a', { place: { book: 'small', region: 'moon' } }), 'region.unknown'],
    ['no choice', componentOf({ id: 'a', kind: 'server' }), 'choice.missing'],
    ['no such offer', serverOf('a', { choice: { by: 'sku', sku: 'Z-9' } }), 'offer.unknown'],
    ['an offer of another kind', serverOf('a', { choice: { by: 'sku', sku: 'VOL' } }), 'offer.wrong-kind'],
    [
      'not sold in the region',
      serverOf('a', { choice: { by: 'sku', sku: 'A-2' }, place: { book: 'small', region: 'elbe' } }),
      'offer.not-in-region',
    ],
    [
      'not sold under the term',
      serverOf('a', { choice: { by: 'sku', sku: 'A-8' }, term: '12-all' }),
      'term.not-offered',
    ],
    [
      'no usage entered',
      componentOf({ id: 'a', kind: 'block-volume', choice: { by: 'sku', sku: 'VOL' } }),
      'usage.missing',
    ],
    [
      'nothing fits',
      serverOf('a', { choice: { by: 'cheapest', need: { vcpu: '99', memory: '1' } } }),
      'need.nothing-fits',
    ],
    ['negative count', serverOf('a', { count: { likely: '-1' } }), 'quantity.negative'],
    ['half a server', serverOf('a', { count: { likely: '1.5' } }), 'count.not-whole'],
    ['negative usage', volumeOf('a', { likely: '-5' }), 'quantity.negative'],
    ['unknown unit', storeOf('a', { stored: { amount: { likely: '1' }, unit: 'barrel' } }), 'unit.unknown'],
    [
      'a unit of another dimension',
      storeOf('a', { stored: { amount: { likely: '1' }, unit: 'request' } }),
      'unit.mismatch',
    ],
    [
      '800 hours',
      serverOf('a', { running: { pattern: 'hours', hoursPerMonth: { likely: '800' } } }),
      'hours.exceed-month',
    ],
    ['no exchange rate', serverOf('a', { place: { book: 'foreign', region: 'severn' } }), 'currency.no-rate'],
  ])('%s is not priced and says why', (_, component, code) => {
    expect(issuesOf(component)).toEqual([code]);
    expect(priceDesign(designOf([component, serverOf('b')]), books, 'likely')).toMatchObject({ unpriced: 1 });
  });

  it('a book revision the design is not pinned to is missing, not guessed', () => {
    expect(issuesOf(serverOf('a'), { books: [{ book: 'small', revision: 2 }] })).toEqual(['book.missing']);
  });

  it('an optional meter that was not entered is told', () => {
    const line = priceAlone(
      storeOf('a', { stored: { amount: { likely: '1' }, unit: 'GB' } }),
      designOf([]),
      books,
    );
    expect(line.status === 'priced' && line.notices.map((notice) => notice.values.meter)).toEqual([
      'Write requests',
      'Read requests',
    ]);
  });
});

describe('exchange', () => {
  const at = (exchange: Design['assumptions']['exchange']) => ({
    assumptions: { month: { hours: '730' as const }, countAllowances: true, exchange },
  });
  const foreign = serverOf('a', { place: { book: 'foreign', region: 'severn' } });

  it('converts once, at the end, by the dated table', () => {
    expect(monthly(foreign, at([{ from: 'SEK', to: 'USD', rate: '0.1', date: '2026-11-01' }]))).toBe('73');
  });

  it('uses the reverse rate where only that is given', () => {
    expect(monthly(foreign, at([{ from: 'USD', to: 'SEK', rate: '10', date: '2026-11-01' }]))).toBe('73');
  });
});
