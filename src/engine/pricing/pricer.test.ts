import { describe, expect, it } from 'vitest';
import { bookFrom, smallBookFile, smallBooks } from '@tests/support/books';
import { componentOf, designOf, serverOf, transferOf, volumeOf } from '@tests/support/designs';
import { tied, WIDE_BOOKS } from '@tests/support/wide-designs';
import type { Component, Design } from '../design';
import { evaluate } from '../trace';
import { bookSet, casesOf, createPricer, type PricedDesign } from './';

const linesOf = ({ sections }: PricedDesign) => sections.flatMap((section) => section.lines);

const wideLine = (id: string, kind: Component['kind'], sku: string, more: Partial<Component> = {}) =>
  componentOf({
    id,
    kind,
    place: { book: 'wide', region: 'severn' },
    choice: { by: 'sku', sku },
    ...more,
  });

describe('a plan', () => {
  it('is explained by the very figures that were priced', () => {
    const pricer = createPricer(smallBooks());
    const plan = pricer.plan(designOf([serverOf('a'), transferOf('out', { likely: '250' })]));
    const under = { case: 'likely' } as const;
    const priced = pricer.price(plan, under);
    const line = pricer.explain(plan, under, { of: 'component', id: 'out' })!;
    expect(line.value.toString()).toBe('60');
    expect(linesOf(priced)).toContainEqual(expect.objectContaining({ id: 'out', monthly: line }));
    expect(evaluate(line).toString()).toBe('60');
    const whole = pricer.explain(plan, under, { of: 'design' })!;
    expect(whole.value.toString()).toBe(priced.monthly.value.toString());
    expect(pricer.explain(plan, under, { of: 'section', id: 'section' })?.value.toString()).toBe('133');
    expect(pricer.explain(plan, under, { of: 'component', id: 'nobody' })).toBeNull();
  });

  it('is asked of its own pricer only', () => {
    const plan = createPricer(smallBooks()).plan(designOf([]));
    expect(() => createPricer(smallBooks()).price(plan, { case: 'likely' })).toThrow('another pricer');
  });

  it('leaves the one before as it was', () => {
    const pricer = createPricer(smallBooks());
    const first = pricer.plan(designOf([serverOf('a')]));
    const second = pricer.plan(designOf([serverOf('a', { count: { likely: '3' } })]), first);
    const monthly = (plan: typeof first) => pricer.price(plan, { case: 'likely' }).monthly.value.toString();
    expect([monthly(second), monthly(first), monthly(second)]).toEqual(['219', '73', '219']);
  });
});

describe('what is taken over', () => {
  const change = (design: Design, id: string, count: string): Design => ({
    ...design,
    sections: design.sections.map((section) => ({
      ...section,
      components: section.components.map((each) =>
        each.id === id ? { ...each, count: { likely: count } } : each,
      ),
    })),
  });

  const keptAfter = (design: Design, id: string): string[] => {
    const pricer = createPricer(WIDE_BOOKS);
    const plan = pricer.plan(design);
    const before = linesOf(pricer.price(plan, { case: 'likely' }));
    const after = linesOf(pricer.price(pricer.plan(change(design, id, '5'), plan), { case: 'likely' }));
    expect(after.every((line) => line.status === 'priced')).toBe(true);
    return after.flatMap((line) => (before.includes(line) ? [line.id] : []));
  };

  const amount = (likely: string, unit: string) => ({ amount: { likely }, unit });
  const store = (id: string) =>
    wideLine(id, 'content-delivery', 'EDGE', { usage: { transferred: amount('100', 'GB') } });
  const untied = designOf(
    [
      wideLine('web', 'server', 'S-4'),
      wideLine('disk', 'block-volume', 'VOL', { usage: { capacity: amount('100', 'GiB') } }),
      store('edge'),
      store('other-edge'),
    ],
    { books: [{ book: 'wide', revision: 1 }] },
  );
  const design = tied(untied, 'spend-commitment', '0.05');

  it('a spend commitment ties what it may buy, and leaves pools and all the rest to themselves', () => {
    expect(keptAfter(design, 'disk')).toEqual(['web', 'edge', 'other-edge', 'tie']);
    expect(keptAfter(design, 'web')).toEqual(['disk', 'edge', 'other-edge']);
  });

  it('what differs in no case is the same line in all three', () => {
    const cases = casesOf(createPricer(WIDE_BOOKS).plan(design));
    const [lean, heavy] = [linesOf(cases.lean), linesOf(cases.heavy)];
    linesOf(cases.likely).forEach((line, at) => expect([lean[at], heavy[at]]).toEqual([line, line]));
    expect(lean[0]).toBe(linesOf(cases.likely)[0]);
  });

  it('what had no amount is asked for again when more of a revision is here', () => {
    const all = smallBookFile();
    const without = { ...all, rates: all.rates.filter((rate) => rate.sku !== 'A-4') };
    let book = bookFrom(without);
    const pricer = createPricer({ get: (key, revision) => bookSet([book]).get(key, revision) });
    const two = designOf([serverOf('a'), volumeOf('v', { likely: '10' })]);
    const plan = pricer.plan(two);
    const before = linesOf(pricer.price(plan, { case: 'likely' }));
    expect(before.map((line) => line.status)).toEqual(['unpriced', 'priced']);
    book = bookFrom(all);
    const after = linesOf(pricer.price(pricer.plan({ ...two }, plan), { case: 'likely' }));
    expect(after[0]!.status).toBe('priced');
    expect(after[1]).toBe(before[1]);
  });
});
