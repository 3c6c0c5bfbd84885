import { describe, expect, it } from 'vitest';
import { billUnit } from './bill-unit';
import { daysOfPeriod, periodDays } from './bill';
import { completenessOf, type SeenDay } from './completeness';
import { type BillLine, largestSentence, relationSentence, varianceSteps } from '@/features/bills/words';

describe('units of bills', () => {
  it('are ours in other words, and lots of them; what is none is none', () => {
    expect(billUnit('Hours')?.unit).toBe('hour');
    expect(billUnit('hour')?.unit).toBe('hour');
    expect(billUnit('GB')?.unit).toBe('GB');
    expect(billUnit('GiB-Months')?.unit).toBe('GiB-month');
    expect(billUnit('10000 Requests')?.factor.toString()).toBe('10000');
    expect(billUnit('Million requests')?.factor.toString()).toBe('1000000');
    expect([billUnit('Furlongs'), billUnit(''), billUnit('0x10 Requests')]).toEqual([null, null, null]);
  });
});

describe('days', () => {
  it('of a period are counted without its last, over months and leap days', () => {
    expect(periodDays({ from: '2028-02-01', to: '2028-03-01' })).toBe(29);
    expect(daysOfPeriod({ from: '2026-12-31', to: '2027-01-02' })).toEqual(['2026-12-31', '2027-01-01']);
    expect(periodDays({ from: '2026-12-31', to: '2026-12-30' })).toBe(0);
  });

  it('are as complete as days of their age were, once those are settled', () => {
    const file = (revision: number, costs: readonly (readonly [number, string])[]): SeenDay[] =>
      costs.map(([day, cost]) => ({ revision, day: `2026-11-${String(day).padStart(2, '0')}`, cost }));
    const seen = [
      ...file(1, [
        [1, '9'],
        [2, '5'],
      ]),
      ...file(2, [
        [1, '10'],
        [2, '10'],
        [3, '10'],
        [4, '8'],
        [5, '4'],
      ]),
    ];
    expect(completenessOf(seen)).toEqual(['0.5', '0.9']);
    // One file says nothing of how days grow.
    expect(completenessOf(file(1, [[1, '9']]))).toEqual([]);
    expect(completenessOf([])).toEqual([]);
    // A day is no more complete than an older one.
    expect(completenessOf(seen.filter(({ day }) => day < '2026-11-05'))).toEqual(['0.9', '0.9']);
    // Two days later nothing is settled yet.
    expect(completenessOf(seen.filter(({ day }) => day < '2026-11-04'))).toEqual([]);
  });
});

describe('words and steps', () => {
  it('name the meter that moves most, and where to look', () => {
    const line: BillLine = {
      key: 's/a/out',
      level: 'meter',
      part: 'design',
      ...{ id: 'out', parent: 's/a', name: 'Sent out' },
      ...{ expected: '100', soFar: '10', billed: '465', difference: '455', close: null, things: [] },
      ...{ unit: 'GB', quantityExpected: '100', quantityBilled: '663' },
      variance: {
        price: '0',
        quantity: '455',
        mix: '0',
        new: '0',
        gone: '0',
        corrections: '0',
        difference: '455',
      },
    };
    const owner: BillLine = { ...line, key: 's/a', level: 'component', parent: 's', name: 'Transfer' };
    expect(largestSentence([line, owner], 'USD')).toBe(
      'Sent out of “Transfer” is 455.00 USD over: 563 GB beyond the 100 planned so far.',
    );
    expect(largestSentence([{ ...line, part: 'outside' }, owner], 'USD')).toContain(
      'it is not in the design',
    );
    expect(largestSentence([{ ...line, quantityBilled: '100' }, owner], 'USD')).toContain('at another price');
    const relation = {
      section: 's',
      is: 'volume',
      expected: '60000',
      billed: '250000',
      times: '4.2',
      requests: '0.25',
    } as const;
    expect(relationSentence(relation, 'Out')).toBe(
      '“Out” moves 250 kB for each request in place of 60 kB: requests are 25\u00a0% of the plan, so each answer weighs more; look at what is sent again though it did not change.',
    );
    expect(
      relationSentence({ ...relation, billed: '20000', times: '0.3', requests: '4.1' }, 'Out'),
    ).toContain('how often it is asked');
  });

  it('lead from expected to billed to the cent, the rounding where the remainder is largest', () => {
    const variance = {
      price: '0.335',
      quantity: '0.335',
      mix: '0',
      new: '5.004',
      gone: '0',
      corrections: '0',
      difference: '5.674',
    };
    const steps = varianceSteps({ soFar: '10', billed: '15.674', variance }, '10', '15.67');
    expect(steps.map(({ amount }) => amount)).toEqual(['0.33', '0.34', '5']);
  });
});
