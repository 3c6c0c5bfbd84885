import { describe, expect, it } from 'vitest';
import { indexBook } from '@/core/books';
import { bookSet } from '@/core/pricing';
import { summarise } from '@/core/range';
import { checkPriceBook, designSchema, toBookData } from '@/formats';
import { DEMO_DESIGNS } from './designs';
import { DEMO_REVISIONS, generateBook } from './generate-book';
import { DEMO_PROFILES } from './load-demo';

const latest = DEMO_REVISIONS[1]!;

describe.each(DEMO_PROFILES)('the demo book of $provider', (profile) => {
  const file = generateBook(profile, latest);
  const servers = file.offers.filter((offer) => offer.kind === 'server');
  const regionsOf = (sku: string) =>
    new Set(file.rates.filter((rate) => rate.sku === sku).map((rate) => rate.region));

  it('passes the same checks as anyone’s', () => {
    expect(checkPriceBook(JSON.parse(JSON.stringify(file)))).toMatchObject({ ok: true });
  });

  it('has at least three regions, sixty sizes, graduated storage and transfer, and a size not sold everywhere', () => {
    expect(file.regions.length).toBeGreaterThanOrEqual(3);
    expect(servers.length).toBeGreaterThanOrEqual(60);
    for (const meter of ['stored', 'transferred']) {
      expect(file.rates.some((rate) => rate.meter === meter && rate.charge.structure === 'graduated')).toBe(
        true,
      );
    }
    expect(
      servers.some(
        (offer) => regionsOf(offer.sku).size > 0 && regionsOf(offer.sku).size < file.regions.length,
      ),
    ).toBe(true);
  });

  it('is the same for the same seed, another for another, and drifts between revisions', () => {
    expect(generateBook(profile, latest)).toEqual(file);
    expect(generateBook(profile, latest, 'other').rates).not.toEqual(file.rates);
    expect(generateBook(profile, DEMO_REVISIONS[0]!).rates).not.toEqual(file.rates);
  });
});

describe('the demo designs', () => {
  const books = bookSet(DEMO_PROFILES.map((profile) => indexBook(toBookData(generateBook(profile, latest)))));

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
