import { describe, expect, it } from 'vitest';
import { indexBook } from '@/engine/books';
import { bookSet } from '@/engine/pricing';
import { summarise } from '@/engine/summary';
import { keeper } from '@tests/support/streams';
import { checkPriceBook, toBookData } from '@/features/price-books/format/price-book';
import { designSchema } from '@/features/design/format/design';
import { type RateRow } from '@/features/price-books/format/price-book-schema';
import { readBook } from '@/features/price-books/format/stream';
import { differenceBetween } from '@/features/price-books/use/book-difference';
import { DEMO_DESIGNS } from './designs';
import { DEMO_REVISIONS, generateBook, generatePieces } from './generate-book';
import { bookBytes } from './load-demo';
import { DEMO_PROFILES } from './profiles';

const latest = DEMO_REVISIONS[1]!;

describe.each(DEMO_PROFILES)('the demo book of $provider', (profile) => {
  const file = generateBook(profile, latest);

  it('passes the same checks as anyone’s', () => {
    expect(checkPriceBook(JSON.parse(JSON.stringify(file)))).toMatchObject({ ok: true });
  });

  it('comes in pieces as it comes whole, and as a file that is read without fault', async () => {
    expect([...generatePieces(profile, latest).rates()].flat()).toEqual(file.rates);
    const { faults, counts } = await readBook(bookBytes(profile, latest), keeper().sink);
    expect([faults, counts.rates]).toEqual([[], file.rates.length]);
  });

  it('is the same for the same seed, another for another, and drifts between revisions', () => {
    expect(generateBook(profile, latest)).toEqual(file);
    expect(generateBook(profile, latest, { seed: 'other' }).rates).not.toEqual(file.rates);
    expect(generateBook(profile, DEMO_REVISIONS[0]!).rates).not.toEqual(file.rates);
  });
});

describe('the demo books together', () => {
  const all = DEMO_PROFILES.flatMap((profile) => DEMO_REVISIONS.map((each) => generateBook(profile, each)));
  const book = (key: string) => all.find((file) => file.book.key === key && file.revision.number === 2)!;
  const has = (key: string, test: (rate: RateRow) => boolean): boolean => book(key).rates.some(test);

  it('have two revisions each, five providers, and at least 60 000 rates', () => {
    expect(all).toHaveLength(10);
    expect(all.reduce((sum, file) => sum + file.rates.length, 0)).toBeGreaterThanOrEqual(60_000);
    expect(all.map((file) => file.book.currency)).toContain('EUR');
  });

  it('have the habits they are known for', () => {
    const structure = (key: string, name: string) => has(key, (rate) => rate.charge.structure === name);
    expect(has('norvane', (rate) => rate.term === '36-all' && rate.upfront !== null)).toBe(true);
    expect(has('norvane', (rate) => rate.term === '12-part-exchangeable')).toBe(true);
    expect(has('norvane', (rate) => rate.term === 'interruptible' && rate.range != null)).toBe(true);
    expect(structure('norvane', 'greatest-of') && structure('norvane', 'share-of-spend')).toBe(true);
    expect(structure('haldreach', 'by-parts') && structure('haldreach', 'stepped')).toBe(true);
    expect(structure('haldreach', 'volume') && structure('haldreach', 'per-block')).toBe(true);
    expect(has('haldreach', (rate) => rate.minimums?.count === '3')).toBe(true);
    expect(has('haldreach', (rate) => rate.meter.startsWith('licence.'))).toBe(true);
    expect(has('osmere', (rate) => rate.unit === 'second' && rate.sustained != null)).toBe(true);
    expect(has('osmere', (rate) => rate.term === 'spend-36-none')).toBe(true);
    expect(new Set(book('osmere').regions.map((region) => region.bands?.function))).toEqual(
      new Set(['near', 'far']),
    );
    expect(has('kitewharf', (rate) => rate.meter === 'plan-fee' && rate.charge.structure === 'flat')).toBe(
      true,
    );
    expect(book('kitewharf').offers.some((offer) => offer.capabilities?.includes('sleeps'))).toBe(true);
    expect(has('pennybyre', (rate) => rate.monthlyCap != null)).toBe(true);
    expect(book('pennybyre').offers.some((offer) => (offer.grants ?? []).length > 0)).toBe(true);
  });

  it('have sizes that are not sold everywhere, a family being retired, something new, and drift', () => {
    const [before, after] = all.filter((file) => file.book.key === 'norvane');
    const soldIn = new Map<string, Set<string>>();
    for (const rate of after!.rates)
      soldIn.set(rate.sku, (soldIn.get(rate.sku) ?? new Set()).add(rate.region));
    expect([...soldIn.values()].some((regions) => regions.size < after!.regions.length)).toBe(true);
    expect(after!.offers.some((offer) => offer.lifecycle === 'retiring' && offer.replacedBy)).toBe(true);
    const difference = differenceBetween(before!, after!, 10);
    expect(difference.offersAdded.length).toBeGreaterThan(0);
    expect(difference.ratesChanged).toBeGreaterThan(100);
  });

  it('can be made as large as is wanted', () => {
    let rates = 0;
    for (const rows of generatePieces(DEMO_PROFILES[0]!, latest, { leastRates: 150_000 }).rates())
      rates += rows.length;
    expect(rates).toBeGreaterThanOrEqual(150_000);
  });
});

describe('the demo designs', () => {
  const books = bookSet(
    DEMO_PROFILES.flatMap((profile) =>
      DEMO_REVISIONS.map((revision) => indexBook(toBookData(generateBook(profile, revision)))),
    ),
  );

  it.each(DEMO_DESIGNS.map((design) => [design.title, design] as const))(
    '%s is valid and priced',
    (title, design) => {
      expect(designSchema.safeParse(JSON.parse(JSON.stringify(design))).success).toBe(true);
      const summary = summarise(design, books);
      // One part of the first design is placed where its size is not sold, to show what that looks like.
      expect(summary.unpriced).toBe(title === 'Booking and check-in' ? 1 : 0);
      expect(Number(summary.printed)).toBeGreaterThan(1000);
    },
  );
});
