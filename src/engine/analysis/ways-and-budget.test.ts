import { describe, expect, it } from 'vitest';
import { smallBooks } from '@tests/support/books';
import { componentOf, designOf, serverOf, transferOf } from '@tests/support/designs';
import { WIDE_BOOKS } from '@tests/support/wide-designs';
import { planOf, priceDesign } from '../pricing';
import { compareTerms, loadAtBudget } from './';

const BOOKS = smallBooks();
const withBudget = (budget: string) =>
  designOf([serverOf('a'), transferOf('out', { likely: '1000' })], {
    assumptions: { month: { hours: '730' }, countAllowances: true, exchange: [], budget },
  });

describe('the load at which a budget is crossed', () => {
  it('is where the month costs just that, by the price of that load', () => {
    const answer = loadAtBudget(planOf(withBudget('400'), BOOKS));
    if (answer?.crossed !== 'at') throw new Error('not crossed');
    const cost = (times: string) =>
      Number(
        priceDesign(
          designOf([serverOf('a'), transferOf('out', { likely: String(1000 * Number(times)) })]),
          BOOKS,
          'likely',
        ).monthly.value,
      );
    expect(cost(answer.times.toString())).toBeCloseTo(400, 2);
    expect(cost(answer.times.times('1.01').toString())).toBeGreaterThan(400);
  });

  it('lies below one where the budget is crossed already', () => {
    const now = priceDesign(withBudget('1'), BOOKS, 'likely').monthly.value;
    const answer = loadAtBudget(planOf(withBudget(now.minus(10).toString()), BOOKS));
    expect(answer).toMatchObject({ crossed: 'at' });
    expect(answer!.crossed === 'at' && answer!.times.lessThan(1)).toBe(true);
  });

  it('is nowhere where what is fixed costs more, or where nothing follows the load', () => {
    expect(loadAtBudget(planOf(withBudget('50'), BOOKS))).toEqual({ crossed: 'without-load' });
    const fixed = { ...withBudget('500'), sections: designOf([serverOf('a')]).sections };
    expect(loadAtBudget(planOf(fixed, BOOKS))).toEqual({ crossed: 'never' });
    expect(loadAtBudget(planOf(designOf([serverOf('a')]), BOOKS))).toBeNull();
  });
});

describe('what a way of paying saves', () => {
  it('is held against the same line on demand, interruptible too', () => {
    const component = componentOf({
      id: 'a',
      kind: 'server',
      place: { book: 'wide', region: 'severn' },
      choice: { by: 'sku', sku: 'S-4' },
      mayBeStopped: true,
    });
    const design = designOf([component], { books: [{ book: 'wide', revision: 1 }] });
    const ways = compareTerms(component, design, WIDE_BOOKS);
    const monthly = (term: string) => {
      const line = ways.find((way) => way.term === term)!.line;
      if (line.status !== 'priced') throw new Error('not priced');
      return line.monthly.value;
    };
    for (const term of ['interruptible', '12-none']) {
      const expected = monthly(term).dividedBy(monthly('on-demand')).negated().plus(1);
      expect(
        ways
          .find((way) => way.term === term)!
          .saving!.minus(expected)
          .abs()
          .toNumber(),
      ).toBeLessThan(1e-12);
      expect(expected.isZero()).toBe(false);
    }
  });
});
