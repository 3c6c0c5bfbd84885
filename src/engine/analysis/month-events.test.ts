import { smallBooks } from '@tests/support/books';
import { designOf, serverOf } from '@tests/support/designs';
import { describe, expect, it } from 'vitest';
import { planOf } from '../pricing';
import { monthEvents, priceMonths } from './';

const eventsOf = (components: Parameters<typeof designOf>[0], months = 30) => {
  const plan = planOf(designOf(components), smallBooks());
  return { events: monthEvents(plan, priceMonths(plan, 'likely', months)), plan };
};

describe('what happens over the months', () => {
  it('money that leaves ahead, when its term begins and each time it is renewed, as much as leaves', () => {
    const { events, plan } = eventsOf([serverOf('a', { term: '12-all' })]);
    expect(events.map(({ month, what, line }) => [month, what, line])).toEqual([
      [1, 'paid-ahead', 'a'],
      [13, 'renewed', 'a'],
      [25, 'renewed', 'a'],
    ]);
    const { rows } = priceMonths(plan, 'likely', 30);
    for (const { month, amount } of events) {
      expect(rows[month - 1]!.cash.minus(rows[month]!.cash).toString()).toBe(amount);
    }
  });

  it('lines that begin and end; one that ends before its term says what is due', () => {
    const { events } = eventsOf([
      serverOf('late', { months: { from: 4, to: 9 } }),
      serverOf('early', { term: '12-all', months: { from: 1, to: 7 } }),
    ]);
    expect(events.map(({ month, what, line }) => [month, what, line])).toEqual([
      [1, 'paid-ahead', 'early'],
      [4, 'begins', 'late'],
      [7, 'ends-early', 'early'],
      [9, 'ends', 'late'],
    ]);
  });

  it('nothing where nothing changes', () => {
    expect(eventsOf([serverOf('a')]).events).toEqual([]);
  });
});
