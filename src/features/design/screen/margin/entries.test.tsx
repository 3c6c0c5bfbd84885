/** What the margin of a component takes and refuses: every entry ends as an edit, or says why not. */
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import { componentOf, serverOf, SEVERN } from '@tests/support/designs';
import { box, enter, inGroup, set, showSettings } from '@tests/support/margin';
import { type Component, withTakenPlace } from '@/engine/design';

afterEach(cleanup);

describe('place and zones', () => {
  it('say that a place was taken over, and take it as meant', () => {
    const { applied, opened } = showSettings(withTakenPlace(serverOf('a', { place: null }), SEVERN));
    fireEvent.click(screen.getByRole('button', { name: 'It is meant' }));
    expect(applied).toEqual([set('guesses', null)]);
    fireEvent.click(screen.getByRole('button', { name: 'Choose: provider and region' }));
    expect(opened).toEqual(['place']);
  });

  it('say nothing of a place that was chosen', () => {
    showSettings(serverOf('a'));
    expect(screen.queryByRole('button', { name: 'It is meant' })).toBeNull();
  });

  it('take a number of zones, or none', () => {
    const { applied } = showSettings(serverOf('a', { zones: 2 }));
    enter(box('Zones it is spread over'), '3');
    enter(box('Zones it is spread over'), '');
    expect(applied).toEqual([set('zones', 3), set('zones', null)]);
  });

  it.each(['0', '13', '1.5', 'two'])('refuse “%s” zones', (text) => {
    const { applied } = showSettings(serverOf('a'));
    enter(box('Zones it is spread over'), text);
    expect(screen.getByRole('alert').textContent).toContain('whole number from 1 to 12');
    expect(applied).toEqual([]);
  });

  it('are not asked of what stands nowhere', () => {
    showSettings(componentOf({ id: 'a', kind: 'support-plan' }));
    expect(screen.queryByRole('textbox', { name: 'Zones it is spread over' })).toBeNull();
  });
});

describe('the share that a design bears', () => {
  it.each([
    ['25', '0.25'],
    ['25 %', '0.25'],
    ['33.3%', '0.333'],
  ])('%s is %s', (typed, share) => {
    const { applied } = showSettings(serverOf('a'));
    enter(inGroup(/^Allocated to this design/, 'likely'), typed);
    expect(applied).toEqual([set('allocated', { likely: share })]);
  });

  it('of all is no share', () => {
    const { applied } = showSettings(serverOf('a', { allocated: { likely: '0.5' } }));
    enter(inGroup(/^Allocated to this design/, 'likely'), '100');
    expect(applied).toEqual([set('allocated', null)]);
  });

  it('is never more than all of it', () => {
    const { applied } = showSettings(serverOf('a'));
    enter(inGroup(/^Allocated to this design/, 'likely'), '120 %');
    expect(screen.getByRole('alert').textContent).toBe('At most 100 %, not 120 %.');
    expect(applied).toEqual([]);
  });
});

describe('amounts that change later', () => {
  const credit = componentOf({
    id: 'a',
    kind: 'prepaid-credit',
    usage: { credit: { amount: { likely: '1000' }, unit: 'money' } },
  });

  it('are entered by month', () => {
    const { applied } = showSettings(credit);
    enter(box(/^From a later month/), '25: 8000, 13: 5000');
    const rows = [
      { fromMonth: 13, amount: '5000' },
      { fromMonth: 25, amount: '8000' },
    ];
    expect(applied).toEqual([set('later', rows)]);
  });

  it('are shown as they were entered, and taken away by emptying the field', () => {
    const { applied } = showSettings({ ...credit, later: [{ fromMonth: 13, amount: '5000' }] });
    expect((box(/^From a later month/) as HTMLInputElement).value).toBe('13: 5000');
    enter(box(/^From a later month/), '');
    expect(applied).toEqual([set('later', null)]);
  });

  it('are asked only of money', () => {
    showSettings(serverOf('a'));
    expect(screen.queryByRole('textbox', { name: /^From a later month/ })).toBeNull();
  });
});

describe('licences', () => {
  it('brought along have a yearly cost of their own; those in the rate have none', () => {
    const licences = [
      { product: 'castrum-db', how: 'brought' },
      { product: 'ledger-os', how: 'included' },
    ] as const;
    const { applied } = showSettings(serverOf('a', { licences }));
    enter(inGroup(/^Own cost of castrum-db/, 'likely'), '1200');
    expect(applied).toEqual([
      set('licences', [{ ...licences[0], ownYearly: { likely: '1200' } }, licences[1]]),
    ]);
    expect(screen.queryByRole('group', { name: /^Own cost of ledger-os/ })).toBeNull();
  });

  it('keep their cost where another is added, and refuse what is no code', () => {
    const brought = { product: 'castrum-db', how: 'brought', ownYearly: { likely: '9' } } as const;
    const { applied } = showSettings(serverOf('a', { licences: [brought] }));
    enter(box('Licences brought along'), 'castrum-db, other');
    expect(applied).toEqual([set('licences', [brought, { product: 'other', how: 'brought' }])]);
    enter(box('Licences in the rate'), 'no code!');
    expect(screen.getByRole('alert').textContent).toContain('is no product code');
    expect(applied).toHaveLength(1);
  });
});

describe('a load', () => {
  const load = { rate: { by: 'requests', perSecond: { likely: '10' } } } as const;

  it('is higher at certain hours, where one says so', () => {
    const { applied } = showSettings(serverOf('a', { load }));
    fireEvent.click(screen.getByRole('checkbox', { name: /higher at certain hours/ }));
    const peak = { times: { likely: '3' }, days: [0, 1, 2, 3, 4], from: 9, hours: { likely: '2' } };
    expect(applied).toEqual([set('load', { ...load, peak })]);
  });

  it('has its days, its hour and its height', () => {
    const peak = { times: { likely: '3' }, days: [0, 4], from: 9, hours: { likely: '2' } };
    const { applied } = showSettings(serverOf('a', { load: { ...load, peak } }));
    fireEvent.click(screen.getByRole('checkbox', { name: 'Wed' }));
    fireEvent.change(screen.getByRole('combobox', { name: 'from' }), { target: { value: '17' } });
    enter(inGroup(/^Times the usual/, 'heavy'), '5');
    fireEvent.click(screen.getByRole('checkbox', { name: /higher at certain hours/ }));
    expect(applied.map(([edit]) => (edit as { value: { peak: unknown } }).value.peak)).toEqual([
      { ...peak, days: [0, 2, 4] },
      { ...peak, from: 17 },
      { ...peak, times: { likely: '3', heavy: '5' } },
      null,
    ]);
  });
});

describe('running hours', () => {
  it('at peaks have days and an hour too', () => {
    const running = {
      pattern: 'peaks',
      baseline: { likely: '1' },
      peak: { likely: '3' },
      days: [0],
      from: 7,
      hours: { likely: '3' },
    } as const;
    const { applied } = showSettings(serverOf('a', { running }));
    fireEvent.click(screen.getByRole('checkbox', { name: 'Mon' }));
    fireEvent.change(screen.getByRole('combobox', { name: 'from' }), { target: { value: '16' } });
    expect(applied).toEqual([
      set('running', { ...running, days: [] }),
      set('running', { ...running, from: 16 }),
    ]);
  });
});

describe('months', () => {
  it('from and to are whole, and never end before they begin', () => {
    const { applied } = showSettings(serverOf('a', { months: { from: 4, to: null } }));
    enter(box('Last month'), '2');
    enter(box('First month'), '1');
    enter(box('First month'), '0');
    expect(applied).toEqual([set('months', { from: 4, to: 4 }), set('months', null)]);
    expect(screen.getByRole('alert').textContent).toContain('from 1 to 120');
  });
});

describe('a list of sizes', () => {
  const entry = { amount: { likely: '40' }, unit: 'GiB' };
  const usage = (value: object) => [{ edit: 'set-usage', id: 'a', meter: 'capacity', value }];
  const disk = (part: object): Component =>
    componentOf({ id: 'a', kind: 'block-volume', usage: { capacity: { ...entry, ...part } } });

  it('begins with the one amount, is typed, and ends as the amount it has come to', () => {
    const first = showSettings(disk({}));
    fireEvent.click(screen.getByRole('button', { name: 'As a list of sizes' }));
    const sizes = [{ count: '1', amount: '40' }];
    expect(first.applied).toEqual([usage({ ...entry, sizes })]);
    cleanup();
    const second = showSettings(disk({ sizes }));
    enter(box(/^Capacity set aside, sizes/), '3 of 40, 1 of 2100');
    fireEvent.click(screen.getByRole('button', { name: 'As one amount' }));
    expect(second.applied).toEqual([
      usage({
        amount: { likely: '2220' },
        unit: 'GiB',
        sizes: [
          { count: '3', amount: '40' },
          { count: '1', amount: '2100' },
        ],
      }),
      usage(entry),
    ]);
  });

  it('is not offered where another amount is set aside or days are kept', () => {
    showSettings(disk({ setAside: { likely: '50' } }));
    expect(screen.queryByRole('button', { name: 'As a list of sizes' })).toBeNull();
  });
});
