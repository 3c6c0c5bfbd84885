/**
 * The same question in other words gives the same answer: other orders, other names, other ways of entering the same
 * week, lines of n as n lines of one, caches warm or cold. Every run gets objects of its own, so that nothing is shared.
 */
import { describe, expect, it } from 'vitest';
import { decimal, type Decimal } from '@/engine/base';
import { allComponents, type Component, type Design } from '@/engine/design';
import { casesOf, createPricer, priceCases, priceDesign, type PricedDesign } from '@/engine/pricing';
import { rateCard, unitMonthlyCost } from '@/engine/rating';
import { CASES } from '@/engine/usage';
import { amounts, DESIGNS, fresh, mapAll, priceAnew, short, shuffled } from './anew';
import { Dice } from './dice';
import { mixed } from './mixed-design';
import { metAtLeast } from '@tests/support/drawn';

const linesOf = ({ sections }: PricedDesign) => sections.flatMap(({ lines }) => lines);

describe('the same design', () => {
  it('costs the same in any order of sections, lines, books, rates and agreements of equal rank', () => {
    for (const seed of DESIGNS) {
      const drawn = mixed(seed);
      const dice = new Dice(seed);
      const turned = (design: Design): Design => ({
        ...design,
        books: shuffled(design.books, dice),
        sections: shuffled(design.sections, dice).map((section) => ({
          ...section,
          components: shuffled(section.components, dice),
        })),
      });
      const books = drawn.books.map((book) => ({ ...book, rates: shuffled(book.rates, dice) }));
      expect(priceAnew({ ...drawn, books }, turned), `seed ${seed}`).toEqual(priceAnew(drawn));
    }
  });

  it('costs the same under other names', () => {
    for (const seed of DESIGNS.slice(0, 80)) {
      const renamed = (design: Design): Design =>
        mapAll(design, (each) => ({ ...each, name: `${each.name} again` }));
      expect(priceAnew(mixed(seed), renamed), `seed ${seed}`).toEqual(priceAnew(mixed(seed)));
    }
  });

  it('costs in three equal cases what the likely one costs', () => {
    for (const seed of DESIGNS.slice(0, 120)) {
      const flat = JSON.parse(
        JSON.stringify(mixed(seed).design, (key, value: unknown) =>
          key === 'lean' || key === 'heavy' ? undefined : value,
        ),
      ) as Design;
      const spot = allComponents(flat).some(({ term }) => term === 'interruptible');
      if (spot) continue;
      const { books } = fresh(mixed(seed));
      const cases = priceCases(flat, books);
      for (const which of CASES) expect(amounts(cases[which]), `seed ${seed}`).toEqual(amounts(cases.likely));
    }
  });

  it('costs the same whatever was asked before, and in whichever order', () => {
    for (const seed of DESIGNS.slice(0, 100)) {
      const drawn = mixed(seed);
      const { design, books } = fresh(drawn);
      const dice = new Dice(seed);
      // Warm everything with other questions about the same books and components: other counts, months, cases, terms.
      for (const component of shuffled(allComponents(design), dice)) {
        for (const count of ['7', '1', '3']) {
          const other = mapAll(design, (each) =>
            each === component ? { ...each, count: { likely: count } } : each,
          );
          priceDesign(other, books, dice.one(...CASES), { month: dice.number(0, 9), date: null });
        }
        priceDesign(
          mapAll(design, (each) => ({ ...each, term: 'on-demand' })),
          books,
          'likely',
        );
      }
      expect(amounts(priceDesign(design, books, 'likely')), `seed ${seed}`).toEqual(priceAnew(drawn));
    }
  });

  it('costs the same after a change, whether all of it is priced anew or only what changed', () => {
    let kept = 0;
    for (const seed of DESIGNS) {
      const drawn = mixed(seed);
      const { design, books } = fresh(drawn);
      const [changed] = allComponents(design);
      const after = mapAll(design, (each) => (each === changed ? { ...each, count: { likely: '3' } } : each));
      const pricer = createPricer(books);
      const plan = pricer.plan(design);
      const before = new Set(linesOf(casesOf(plan).likely));
      const reused = casesOf(pricer.plan(after, plan));
      kept += linesOf(reused.likely).filter((line) => before.has(line)).length;
      const { books: cold } = fresh(drawn);
      for (const which of CASES) {
        const anew = priceDesign(structuredClone(after), cold, which);
        expect(amounts(reused[which]), `seed ${seed}, ${which}`).toEqual(amounts(anew));
      }
    }
    // The fast way was taken.
    expect(kept).toBeGreaterThan(metAtLeast(30));
  });
});

describe('the fast cost that candidates are ranked by', () => {
  it('is what the engine says, at any count, where it says anything', () => {
    let fastWays = 0;
    for (const seed of DESIGNS) {
      const drawn = mixed(seed);
      const { books } = fresh(drawn);
      const book = books.get('first', 1)!;
      const dice = new Dice(seed);
      const count = dice.number(1, 9);
      const hours = dice.number(0, 700);
      const term = dice.one('on-demand' as const, '12-none' as const, '12-all' as const);
      for (const sku of ['S-2', 'S-4', 'S-8']) {
        const offer = book.offer(sku)!;
        const fast = unitMonthlyCost(rateCard(book, offer, 'severn'), {
          term,
          run: decimal(hours),
          inMonth: decimal(730),
          count: decimal(count),
        });
        if (!fast.simple || !fast.cost) continue;
        fastWays += 1;
        const component: Component = {
          id: 'x',
          name: 'x',
          kind: 'server',
          count: { likely: String(count) },
          place: { book: 'first', region: 'severn' },
          choice: { by: 'sku', sku },
          running: { pattern: 'hours', hoursPerMonth: { likely: String(hours) } },
          usage: {},
          term,
        };
        const design: Design = {
          ...drawn.design,
          currency: 'USD',
          agreements: [],
          assumptions: { month: { hours: '730' }, countAllowances: true, exchange: [] },
          sections: [{ id: 's', name: 'S', components: [component] }],
        };
        const line = priceDesign(design, fresh(drawn).books, 'likely').sections[0]!.lines[0]!;
        expect(line.status === 'priced' && short(line.monthly.value), `seed ${seed} ${sku}`).toBe(
          short(fast.cost),
        );
      }
    }
    expect(fastWays).toBeGreaterThan(metAtLeast(60));
  });
});

describe('a line of n', () => {
  it('costs what n lines of one cost, where nothing counts by line', () => {
    let checked = 0;
    for (const seed of DESIGNS) {
      const drawn = mixed(seed);
      const book = drawn.books[0]!;
      const plain = book.rates.filter(
        ({ sku, meter, minimums, pool, allowance, charge, term }) =>
          sku === 'S-4' &&
          meter === 'running' &&
          term === 'on-demand' &&
          !minimums &&
          (pool !== 'component' || (allowance === null && charge.structure === 'per-unit')),
      );
      if (plain.length !== 2) continue;
      checked += 1;
      const component: Component = {
        id: 'all',
        name: 'x',
        kind: 'server',
        count: { likely: '3' },
        place: { book: 'first', region: 'elbe' },
        choice: { by: 'sku', sku: 'S-4' },
        running: { pattern: 'weekdays', hoursPerDay: { likely: '9.5' }, daysPerWeek: { likely: '4.5' } },
        usage: {},
        term: 'on-demand',
      };
      const priceOf = (components: readonly Component[]): Decimal => {
        const design = { ...drawn.design, agreements: [], sections: [{ id: 's', name: 'S', components }] };
        return priceDesign(design, fresh(drawn).books, 'likely').monthly.value;
      };
      const split = ['a', 'b', 'c'].map((id) => ({ ...component, id, count: { likely: '1' } }));
      expect(short(priceOf(split)), `seed ${seed}`).toBe(short(priceOf([component])));
    }
    expect(checked).toBeGreaterThan(metAtLeast(40));
  });
});
