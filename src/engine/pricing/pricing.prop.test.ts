import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bookFrom, smallBookFile, smallBooks } from '@tests/support/books';
import { anyDesign, designOf, serverOf, transferOf, volumeOf } from '@tests/support/designs';
import { addAll, decimal, type Decimal, Decimal as Decimals } from '../base';
import type { Component, Design } from '../design';
import { wickOfDesign } from '../summary';
import { rateCard, unitMonthlyCost } from '../rating';
import { evaluate } from '../trace';
import { CASES } from '../usage';
import { priceAlone, priceCases, type PricedDesign, priceDesign, printedAmounts } from './';
import { drawn, metAtLeast } from '@tests/support/drawn';

const books = smallBooks();
const linesOf = (priced: PricedDesign) => priced.sections.flatMap((section) => section.lines);
const runs = { numRuns: drawn(150) };

describe('properties of pricing', () => {
  it('every trace of a random design gives the same value when worked out again', () => {
    fc.assert(
      fc.property(anyDesign, (design) => {
        const priced = priceDesign(design, books, 'likely');
        expect(evaluate(priced.monthly).equals(priced.monthly.value)).toBe(true);
        for (const line of linesOf(priced)) {
          if (line.status === 'priced') expect(evaluate(line.monthly).equals(line.monthly.value)).toBe(true);
        }
      }),
      runs,
    );
  });

  it('pricing the three cases together equals pricing each by itself', () => {
    fc.assert(
      fc.property(anyDesign, (design) => {
        const together = priceCases(design, books);
        for (const which of CASES) {
          const alone = priceDesign(design, books, which);
          expect(together[which].monthly.value.toString()).toBe(alone.monthly.value.toString());
          expect(linesOf(together[which]).map((line) => line.status)).toEqual(
            linesOf(alone).map((line) => line.status),
          );
        }
      }),
      runs,
    );
  });

  it('the wick reaches from the least to the most of the three cases, each priced by itself', () => {
    let ranges = 0;
    fc.assert(
      fc.property(anyDesign, (design) => {
        const { low, likely, high } = wickOfDesign(priceCases(design, books));
        const alone = CASES.map(
          (which) => priceDesign(structuredClone(design), smallBooks(), which).monthly.value,
        );
        expect(likely.equals(alone[1]!)).toBe(true);
        expect(low.equals(Decimals.min(...alone))).toBe(true);
        expect(high.equals(Decimals.max(...alone))).toBe(true);
        if (!low.equals(high)) ranges += 1;
      }),
      runs,
    );
    expect(ranges).toBeGreaterThan(metAtLeast(20));
  });

  it('printed rows add up to their section and sections to the total, to the cent', () => {
    fc.assert(
      fc.property(anyDesign, (design) => {
        const priced = priceDesign(design, books, 'likely');
        const printed = printedAmounts(priced);
        expect(addAll([...printed.sections.values()]).toString()).toBe(printed.total.toString());
        for (const section of priced.sections) {
          const rows = section.lines.flatMap((line) => printed.components.get(line.id) ?? []);
          expect(addAll(rows).toString()).toBe(printed.sections.get(section.id)!.toString());
        }
      }),
      runs,
    );
  });

  it('the order of components does not matter', () => {
    fc.assert(
      fc.property(anyDesign, (design) => {
        const turned: Design = {
          ...design,
          sections: [...design.sections]
            .reverse()
            .map((section) => ({ ...section, components: [...section.components].reverse() })),
        };
        const amountsOf = (priced: PricedDesign) =>
          Object.fromEntries(
            linesOf(priced).map((line) => [
              line.id,
              line.status === 'priced' ? line.monthly.value.toFixed(20) : null,
            ]),
          );
        expect(amountsOf(priceDesign(turned, books, 'likely'))).toEqual(
          amountsOf(priceDesign(design, books, 'likely')),
        );
      }),
      runs,
    );
  });

  it('shares of a pool add up to the pool', () => {
    const amounts = fc.array(fc.integer({ min: 0, max: 5000 }), { minLength: 2, maxLength: 12 });
    fc.assert(
      fc.property(amounts, (each) => {
        const parts = each.map((amount, index) => transferOf(`t${index}`, { likely: String(amount) }));
        const pooled = priceDesign(designOf(parts), books, 'likely').monthly.value;
        const whole = priceAlone(
          transferOf('all', { likely: String(each.reduce((sum, one) => sum + one, 0)) }),
          designOf([]),
          books,
        );
        expect(whole.status === 'priced' && whole.monthly.value.minus(pooled).abs().lessThan('1e-24')).toBe(
          true,
        );
      }),
      runs,
    );
  });

  it('more use never costs less', () => {
    const make: readonly ((amount: string) => Component)[] = [
      (amount) => transferOf('x', { likely: amount }),
      (amount) => volumeOf('x', { likely: amount }),
      (amount) =>
        serverOf('x', {
          running: { pattern: 'hours', hoursPerMonth: { likely: String(Number(amount) / 10_000) } },
        }),
    ];
    const amountOf = (component: Component): Decimal => {
      const line = priceAlone(component, designOf([]), books);
      if (line.status !== 'priced') throw new Error('not priced');
      return line.monthly.value;
    };
    fc.assert(
      fc.property(
        fc.constantFrom(...make),
        fc.nat({ max: 7_000_000 }),
        fc.nat({ max: 7_000_000 }),
        (build, a, b) => {
          const less = amountOf(build(String(Math.min(a, b))));
          expect(less.lessThanOrEqualTo(amountOf(build(String(Math.max(a, b)))))).toBe(true);
        },
      ),
      runs,
    );
  });

  it('the unit a quantity is entered in does not matter', () => {
    fc.assert(
      fc.property(fc.nat({ max: 1_000_000 }), (gigabytes) => {
        const inUnit = (amount: string, unit: string) =>
          priceDesign(
            designOf([
              transferOf(
                'x',
                { likely: amount },
                { usage: { transferred: { amount: { likely: amount }, unit } } },
              ),
            ]),
            books,
            'likely',
          );
        const inGb = inUnit(String(gigabytes), 'GB').monthly.value;
        const inTb = inUnit(decimal(gigabytes).dividedBy(1000).toString(), 'TB').monthly.value;
        expect(inGb.equals(inTb)).toBe(true);
      }),
      runs,
    );
  });

  it('a book in another currency at tenfold prices gives the same amounts at a rate of a tenth', () => {
    fc.assert(
      fc.property(anyDesign, (design) => {
        const move = (component: Component): Component => ({
          ...component,
          place: { book: 'foreign', region: 'severn' },
        });
        const moved: Design = {
          ...design,
          assumptions: {
            ...design.assumptions,
            exchange: [{ from: 'SEK', to: 'USD', rate: '0.1', date: '2026-11-01' }],
          },
          sections: design.sections.map((section) => ({
            ...section,
            components: section.components.map(move),
          })),
        };
        const home = priceDesign(design, books, 'likely');
        const abroad = priceDesign(moved, books, 'likely');
        expect(abroad.monthly.value.minus(home.monthly.value).abs().lessThan('1e-18')).toBe(true);
        expect(abroad.unpriced).toBe(home.unpriced);
      }),
      runs,
    );
  });

  it('the fast cost used for ranking equals the traced amount of all units', () => {
    const book = bookFrom(smallBookFile());
    const terms = fc.constantFrom(
      'on-demand' as const,
      '12-none' as const,
      '12-part' as const,
      '12-all' as const,
      '36-part' as const,
    );
    fc.assert(
      fc.property(
        terms,
        fc.integer({ min: 0, max: 730 }),
        fc.integer({ min: 0, max: 9 }),
        (term, hours, count) => {
          const component = serverOf('x', {
            term,
            count: { likely: String(count) },
            running: { pattern: 'hours', hoursPerMonth: { likely: String(hours) } },
          });
          const line = priceAlone(component, designOf([]), books);
          const fast = unitMonthlyCost(rateCard(book, book.offer('A-4')!, 'severn'), {
            term,
            run: decimal(hours),
            inMonth: decimal('730'),
            count: decimal(count),
          });
          expect(fast.simple).toBe(true);
          expect(line.status === 'priced' && line.monthly.value.toString()).toBe(fast.cost?.toString());
        },
      ),
      runs,
    );
  });
});
