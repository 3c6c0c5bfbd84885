import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bookFrom, smallBookFile } from '@tests/support/books';
import { offer as offerRow } from '@tests/support/offers';
import { wideBookFile } from '@tests/support/wide-book';
import { decimal, ok } from '../base';
import type { PriceBook } from '../books';
import { cheapestThatFits, type Need } from '../sizing';
import { allowanceMonths, offerIndex, rateCard, unitMonthlyCost } from './';

const small = bookFrom(smallBookFile());
const wide = bookFrom(wideBookFile());
const MONTH = decimal('730');

describe('the card of an offer in a region', () => {
  it('has every rate of the offer there, by meter and way of paying', () => {
    for (const book of [small, wide]) {
      for (const region of book.regions) {
        for (const offer of book.offersOf('server')) {
          const card = rateCard(book, offer, region.code);
          for (const rate of card.rates) expect(card.rate(rate.meter, rate.term)).toBe(rate);
          expect(card.terms).toEqual(book.termsOf(offer.sku, region.code));
        }
      }
    }
  });

  it('is empty where the offer is not sold, and is made once', () => {
    const offer = small.offer('A-4')!;
    const card = rateCard(small, offer, 'elbe');
    expect(card.rates).toEqual([]);
    expect(card.rate('running', 'on-demand')).toBeUndefined();
    expect(rateCard(small, offer, 'elbe')).toBe(card);
  });

  it('knows when allowances end', () => {
    const { rates, offers } = wideBookFile();
    const listed = new Set(rates.flatMap(({ allowanceMonths: months }) => months ?? []));
    const kinds = new Set(offers.map(({ kind }) => kind));
    const known = new Set(
      [...kinds].flatMap((kind) =>
        wide.regions.flatMap(({ code }) => [...allowanceMonths(wide, code, kind)]),
      ),
    );
    expect(listed.size).toBeGreaterThan(0);
    expect(known).toEqual(listed);
  });
});

/** Servers of random sizes and prices, equal ones among them; some burstable, retiring, of another family. */
const anyBook: fc.Arbitrary<PriceBook> = fc
  .array(
    fc.record({
      vcpu: fc.constantFrom('0.5', '1', '2', '4', '8'),
      memory: fc.constantFrom('1', '2', '3.75', '8', '16.000000000000001'),
      price: fc.constantFrom('0.05', '0.1', '0.10', '0.2', '0.4'),
      upfront: fc.constantFrom('0', '120', '400'),
      burstable: fc.boolean(),
      lifecycle: fc.constantFrom('current' as const, 'current' as const, 'retiring' as const),
      family: fc.constantFrom('Broad', 'Narrow'),
      minimum: fc.constantFrom(null, null, null, '2'),
    }),
    { minLength: 1, maxLength: 14 },
  )
  .map((rows) => {
    const file = smallBookFile();
    const offers = rows.map(({ vcpu, memory, burstable, lifecycle, family }, at) =>
      offerRow(`R-${String(at).padStart(2, '0')}`, 'server', {
        vcpu,
        memory,
        burstable,
        lifecycle,
        family,
        ...(lifecycle === 'retiring' ? { retires: '2027-06-30' } : {}),
      }),
    );
    const rates = rows.flatMap(({ price, upfront, minimum }, at) => {
      const base = {
        sku: `R-${String(at).padStart(2, '0')}`,
        region: 'severn',
        meter: 'running',
        unit: 'hour',
        charge: { structure: 'per-unit' as const, price },
        allowance: null,
        pool: 'component' as const,
        ...(minimum ? { minimums: { count: minimum, each: null, total: null, keptDays: null } } : {}),
      };
      return [
        { ...base, term: 'on-demand' as const, upfront: null },
        ...(at % 3 === 0 ? [] : [{ ...base, term: '12-part' as const, upfront }]),
      ];
    });
    return bookFrom({ ...file, offers, rates } as typeof file);
  });

const anyNeed: fc.Arbitrary<Need> = fc.record({
  vcpu: fc.constantFrom('0', '0.5', '1', '3', '4', '8', '9', '4.0000000000000001'),
  memory: fc.constantFrom('0', '1', '3.7', '3.75', '16', '16.0000000000000001'),
  family: fc.constantFrom('', 'Broad'),
  allowBurstable: fc.boolean(),
  allowRetiring: fc.boolean(),
});

describe('the offer index', () => {
  it('gives the offer that looking at every offer gives', () => {
    let found = 0;
    fc.assert(
      fc.property(
        anyBook,
        anyNeed,
        fc.constantFrom('on-demand' as const, '12-part' as const),
        (book, need, term) => {
          const index = offerIndex(book, {
            region: 'severn',
            kind: 'server',
            term,
            hoursInMonth: MONTH,
            inRuns: false,
          });
          const hours = { term, run: decimal('730'), inMonth: MONTH };
          // Only offers that are nothing but a price: the others are said to be others.
          const plain = book
            .soldIn('severn', 'server')
            .filter((offer) => unitMonthlyCost(rateCard(book, offer, 'severn'), hours).cost !== null);
          const slow = cheapestThatFits(need, plain, (offer) =>
            ok(unitMonthlyCost(rateCard(book, offer, 'severn'), hours).cost!),
          );
          const fast = index.cheapest(need);
          expect(fast?.offer.sku ?? null).toBe(slow.fits ? slow.offer.sku : null);
          if (fast) found += 1;
          const known = new Set([...plain, ...index.others].map(({ sku }) => sku));
          const sold = book
            .soldIn('severn', 'server')
            .filter((offer) => rateCard(book, offer, 'severn').rate('running', term));
          expect([...known].sort()).toEqual(sold.map(({ sku }) => sku).sort());
        },
      ),
      { numRuns: 400 },
    );
    expect(found).toBeGreaterThan(100);
  });

  it('is made once for each way of paying', () => {
    const key = { region: 'severn', kind: 'server' as const, hoursInMonth: MONTH, inRuns: false };
    const onDemand = offerIndex(small, { ...key, term: 'on-demand' });
    expect(offerIndex(small, { ...key, term: 'on-demand', hoursInMonth: decimal('744') })).toBe(onDemand);
    // What is paid upfront is spread over the term, whatever the month's length: another month, another order.
    const committed = offerIndex(small, { ...key, term: '12-part' });
    expect(offerIndex(small, { ...key, term: '12-part', hoursInMonth: decimal('744') })).not.toBe(committed);
  });
});
