import { describe, expect, it } from 'vitest';
import { FAR, NEAR, SHORES, shoresDesign } from '@tests/support/two-shores';
import { bookRoutes } from '@tests/support/book-routes';
import { componentOf } from '@tests/support/designs';
import { createAlternator } from '@/features/compare/calc/alternatives';
import { axisOf } from '@/features/compare/calc/axes';
import { comparisonOf, withoutFree } from '@/features/compare/calc/comparison';
import type { Alternative, Component, Design } from '@/engine/design';
import { createPricer, planOf } from '@/engine/pricing';
import { summarise } from '@/engine/summary';
import { Answerer } from './answer';
import { LoadedBooks } from './loaded-books';
import type { Answers } from './protocol';

/** A worker over both shores; `asked` tells what was fetched. */
async function routes() {
  const { asked, fetchJson } = await bookRoutes(NEAR, FAR);
  return { asked, answerer: new Answerer(new LoadedBooks(fetchJson), () => 0) };
}

const HERE = { book: 'near', region: 'severn' };
const line = (id: string, kind: Component['kind'], sku: string, part: Partial<Component> = {}) =>
  componentOf({ id, kind, place: HERE, choice: { by: 'sku', sku }, ...part });
const away: Alternative = {
  id: 'away',
  name: 'Away',
  note: '',
  changes: [{ change: 'move', what: { of: 'all' }, book: 'far', revision: 1, region: null }],
};
const paid: Alternative = {
  id: 'paid',
  name: 'Paid',
  note: '',
  changes: [{ change: 'pay', what: { of: 'all' }, term: '36-part' }],
};
const design: Design = {
  ...shoresDesign([
    line('web', 'server', 'N-4'),
    line('store', 'object-store', 'N-SELDOM', {
      usage: { stored: { amount: { likely: '10' }, unit: 'GB' } },
    }),
    line('tunnel', 'vpn', 'N-VPN'),
    // Its price is asked for before the rates of the other shore are here, and must not stay missing.
    line('db', 'relational-database', 'N-DB'),
  ]),
  alternatives: [away, paid],
};

/** What the core says where all books are at hand. */
function directly(of: Design) {
  const { alternatives = [], ...own } = of;
  const alternator = createAlternator(SHORES);
  return comparisonOf(
    [
      { id: null, name: 'The design', note: '', changes: [], outcomes: [], design: own },
      ...alternatives.map((each) => ({ ...each, ...alternator.apply(of, each) })),
    ].map((each) => ({ ...each, summary: summarise(each.design, SHORES) })),
    SHORES,
  );
}

describe('the worker, comparing', () => {
  it('says what the core says with all books at hand, having fetched only what it needs', async () => {
    const { answerer, asked } = await routes();
    const answer = (await answerer.answer({ ask: 'compare', design, by: 'section' })) as Answers['compare'];
    expect(answer).toEqual(directly(design));
    const rates = asked.filter((path) => path.includes('/rates'));
    expect(rates.every((path) => !path.includes('plata'))).toBe(true);
    expect(rates.some((path) => path.includes('/far/1/rates') && path.includes('region=thames'))).toBe(true);
    const before = asked.length;
    await answerer.answer({ ask: 'compare', design, by: 'kind' });
    expect(asked.length).toBe(before);
  });

  it('says the same after edits as if it were asked for the first time', async () => {
    const { answerer } = await routes();
    await answerer.answer({ ask: 'compare', design, by: 'section' });
    const [section] = design.sections;
    const [web, ...others] = section!.components;
    const edited: Design = {
      ...design,
      sections: [{ ...section!, components: [{ ...web!, count: { likely: '3' } }, ...others] }],
      alternatives: [paid, away],
    };
    const answer = (await answerer.answer({
      ask: 'compare',
      design: edited,
      by: 'section',
    })) as Answers['compare'];
    expect(answer).toEqual(directly(edited));
  });

  it('gives an alternative as a design, and the cash of each', async () => {
    const { answerer } = await routes();
    const made = (await answerer.answer({
      ask: 'alternative',
      design,
      alternative: 'away',
    })) as Answers['alternative'];
    expect(made?.design).toEqual(createAlternator(SHORES).apply(design, away).design);
    expect(await answerer.answer({ ask: 'alternative', design, alternative: 'never' })).toBeNull();
    const cash = (await answerer.answer({
      ask: 'compare-cash',
      design,
      horizon: 36,
    })) as Answers['compare-cash'];
    expect(cash.map(({ id }) => id)).toEqual([null, 'away', 'paid']);
    // 36 months of the server at 0.1 an hour and 365 at once; the others are 36.5, 0.1 and 292 all along.
    expect(Number(cash[2]!.whole)).toBeCloseTo(365 + 36 * (73 + 36.5 + 0.1 + 292), 6);
  });

  it('prices an axis as the core does, and mixes', async () => {
    const { answerer } = await routes();
    const what = { of: 'all' } as const;
    const answer = await answerer.answer({ ask: 'axis', design, axis: 'regions', what });
    expect(answer).toEqual(axisOf('regions', planOf(design, SHORES), what));
    const mixed = (await answerer.answer({ ask: 'mixed', design, by: 'line' })) as Answers['mixed'];
    expect(mixed.changes.length).toBeGreaterThan(0);
    expect(mixed.says).toBe('No mix costs less than “Paid” taken whole.');
  });

  it('tells of an alternative that leads to a book that is not here', async () => {
    const { answerer } = await routes();
    const nowhere: Alternative = {
      ...away,
      changes: [{ change: 'move', what: { of: 'all' }, book: 'nowhere', revision: 1, region: null }],
    };
    const answer = (await answerer.answer({
      ask: 'compare',
      design: { ...design, alternatives: [nowhere] },
      by: 'section',
    })) as Answers['compare'];
    expect(answer.columns[1]!.refused.map(({ why }) => why.code)).toEqual(['book.missing']);
    expect(answer.columns[1]!.complete).toBe(false);
  });
});

describe('one alternative and the design in a worker', () => {
  it('are told without what is included free, as the core tells it', async () => {
    const { answerer } = await routes();
    const answer = (await answerer.answer({
      ask: 'without-free',
      design,
      alternative: 'away',
    })) as Answers['without-free'];
    const pricer = createPricer(SHORES);
    const { change, without } = withoutFree(design, away, pricer, createAlternator(SHORES, pricer));
    expect(answer).toEqual({ change: change.toString(), without: without.toString() });
    expect(await answerer.answer({ ask: 'without-free', design, alternative: 'nobody' })).toBeNull();
  });
});
