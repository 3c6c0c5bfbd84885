/** What the margin of a component takes and refuses: every entry ends as an edit, or says why not. */
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import { componentOf, serverOf, SEVERN } from '@tests/support/designs';
import { Decimal } from '@/core/base';
import { type Component, type Edit, withTakenPlace } from '@/core/design';
import { ComponentSettings } from './component-settings';
import type { SettingsProps } from './settings-props';

afterEach(cleanup);

function show(component: Component, part: Partial<SettingsProps> = {}) {
  const applied: Edit[][] = [];
  const previewed: Edit[][] = [];
  const opened: string[] = [];
  render(
    <ComponentSettings
      component={component}
      offerName="a-4"
      placeName="Small, Severn"
      monthHours={new Decimal(730)}
      lacks={[]}
      apply={(edits) => void applied.push([...edits])}
      preview={(edits) => void previewed.push([...edits])}
      open={(what) => void opened.push(what)}
      {...part}
    />,
  );
  return { applied, previewed, opened };
}

function type(field: HTMLElement, text: string): void {
  fireEvent.change(field, { target: { value: text } });
}

function enter(field: HTMLElement, text: string): void {
  type(field, text);
  fireEvent.keyDown(field, { key: 'Enter' });
}

const box = (name: string | RegExp): HTMLElement => screen.getByRole('textbox', { name });
const inGroup = (group: string | RegExp, name: string): HTMLElement =>
  within(screen.getByRole('group', { name: group })).getByRole('textbox', { name });
const set = (field: string, value: unknown, id = 'a') => [{ edit: 'set-component', id, field, value }];

describe('place and zones', () => {
  it('say that a place was taken over, and take it as meant', () => {
    const { applied, opened } = show(withTakenPlace(serverOf('a', { place: null }), SEVERN));
    fireEvent.click(screen.getByRole('button', { name: 'It is meant' }));
    expect(applied).toEqual([set('guesses', null)]);
    fireEvent.click(screen.getByRole('button', { name: 'Choose: provider and region' }));
    expect(opened).toEqual(['place']);
  });

  it('say nothing of a place that was chosen', () => {
    show(serverOf('a'));
    expect(screen.queryByRole('button', { name: 'It is meant' })).toBeNull();
  });

  it('take a number of zones, or none', () => {
    const { applied } = show(serverOf('a', { zones: 2 }));
    enter(box('Zones it is spread over'), '3');
    enter(box('Zones it is spread over'), '');
    expect(applied).toEqual([set('zones', 3), set('zones', null)]);
  });

  it.each(['0', '13', '1.5', 'two'])('refuse “%s” zones', (text) => {
    const { applied } = show(serverOf('a'));
    enter(box('Zones it is spread over'), text);
    expect(screen.getByRole('alert').textContent).toContain('whole number from 1 to 12');
    expect(applied).toEqual([]);
  });

  it('are not asked of what stands nowhere', () => {
    show(componentOf({ id: 'a', kind: 'support-plan' }));
    expect(screen.queryByRole('textbox', { name: 'Zones it is spread over' })).toBeNull();
  });
});

describe('the share that a design bears', () => {
  it.each([
    ['0.25', '0.25'],
    ['25 %', '0.25'],
    ['33.3%', '0.333'],
  ])('%s is %s', (typed, share) => {
    const { applied } = show(serverOf('a'));
    enter(inGroup(/^Borne by this design/, 'likely'), typed);
    expect(applied).toEqual([set('borne', { likely: share })]);
  });

  it('of all is no share', () => {
    const { applied } = show(serverOf('a', { borne: { likely: '0.5' } }));
    enter(inGroup(/^Borne by this design/, 'likely'), '1');
    expect(applied).toEqual([set('borne', null)]);
  });

  it('is never more than all of it', () => {
    const { applied } = show(serverOf('a'));
    enter(inGroup(/^Borne by this design/, 'likely'), '120 %');
    expect(screen.getByRole('alert').textContent).toContain('between 0 and 1');
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
    const { applied } = show(credit);
    enter(box(/^From a later month/), '25: 8000, 13: 5000');
    const rows = [
      { fromMonth: 13, amount: '5000' },
      { fromMonth: 25, amount: '8000' },
    ];
    expect(applied).toEqual([set('later', rows)]);
  });

  it('are shown as they were entered, and taken away by emptying the field', () => {
    const { applied } = show({ ...credit, later: [{ fromMonth: 13, amount: '5000' }] });
    expect((box(/^From a later month/) as HTMLInputElement).value).toBe('13: 5000');
    enter(box(/^From a later month/), '');
    expect(applied).toEqual([set('later', null)]);
  });

  it('are asked only of money', () => {
    show(serverOf('a'));
    expect(screen.queryByRole('textbox', { name: /^From a later month/ })).toBeNull();
  });
});

describe('an own line', () => {
  const own = (charge: NonNullable<Component['custom']>[number]['charge']): Component =>
    componentOf({
      id: 'a',
      kind: 'custom',
      custom: [{ label: 'Gateway', unit: 'GB', amount: { likely: '20000' }, charge }],
    });
  const custom = (part: object) =>
    set('custom', [{ label: 'Gateway', unit: 'GB', amount: { likely: '20000' }, ...part }]);
  const structure = (): HTMLElement => screen.getByRole('combobox', { name: 'Charged as' });

  it('is charged as one chooses, beginning with the price it had', () => {
    const { applied } = show(own({ structure: 'per-unit', price: '0.09' }));
    fireEvent.change(structure(), { target: { value: 'graduated' } });
    fireEvent.change(structure(), { target: { value: 'flat' } });
    expect(applied).toEqual([
      custom({ charge: { structure: 'graduated', tiers: [{ upTo: null, price: '0.09' }] } }),
      custom({ charge: { structure: 'flat', amount: '0.09', once: false } }),
    ]);
  });

  it('takes tiers as text, shows them while they are typed, and refuses what has a gap', () => {
    const { applied, previewed } = show(
      own({ structure: 'graduated', tiers: [{ upTo: null, price: '0.09' }] }),
    );
    const field = box(/^Tiers/);
    type(field, '0.09 up to 10240, 0.07');
    const tiers = [
      { upTo: '10240', price: '0.09' },
      { upTo: null, price: '0.07' },
    ];
    expect(previewed.at(-1)).toEqual(custom({ charge: { structure: 'graduated', tiers } }));
    type(field, '0.09 up to 10240, 0.07 up to 5');
    expect(screen.getByRole('alert').textContent).toContain('5 does not exceed 10240');
    expect(previewed.at(-1)).toEqual([]);
    fireEvent.keyDown(field, { key: 'Escape' });
    expect(applied).toEqual([]);
    enter(field, '0.09 up to 10240, 0.07 beyond');
    expect(applied).toEqual([custom({ charge: { structure: 'graduated', tiers } })]);
  });

  it('takes steps, blocks and one amount', () => {
    const stepped = show(own({ structure: 'stepped', bands: [{ upTo: '50', fee: '5' }], beyond: null }));
    enter(box(/^Steps/), '5 up to 50, then 2 per 100');
    expect(stepped.applied[0]).toEqual(
      custom({
        charge: {
          structure: 'stepped',
          bands: [{ upTo: '50', fee: '5' }],
          beyond: { block: '100', fee: '2' },
        },
      }),
    );
    cleanup();
    const block = show(own({ structure: 'per-block', block: '10', price: '1' }));
    enter(box('Block, GB'), '0');
    expect(screen.getByRole('alert').textContent).toContain('above zero');
    enter(box('Block, GB'), '64');
    expect(block.applied).toEqual([custom({ charge: { structure: 'per-block', block: '64', price: '1' } })]);
    cleanup();
    const flat = show(own({ structure: 'flat', amount: '500', once: false }));
    fireEvent.click(screen.getByRole('checkbox', { name: /paid once/ }));
    expect(flat.applied).toEqual([custom({ charge: { structure: 'flat', amount: '500', once: true } })]);
    // One amount has no use to multiply, and nothing is included in it.
    expect(screen.queryByRole('group', { name: /^Amount/ })).toBeNull();
    expect(screen.queryByRole('textbox', { name: /^Included/ })).toBeNull();
  });

  it('includes so much free of charge, or nothing', () => {
    const charge = { structure: 'per-unit', price: '0.09' } as const;
    const first = show(own(charge));
    enter(box(/^Included each month/), '100');
    expect(first.applied).toEqual([custom({ charge, allowance: '100' })]);
    cleanup();
    const with100 = own(charge);
    const second = show({ ...with100, custom: [{ ...with100.custom![0]!, allowance: '100' }] });
    enter(box(/^Included each month/), '');
    expect(second.applied).toEqual([custom({ charge })]);
  });

  it('that came in with a structure nobody can type keeps it', () => {
    show(own({ structure: 'by-parts', vcpu: '1', memory: '1', gpu: null }));
    expect((structure() as HTMLSelectElement).value).toBe('by-parts');
    expect(within(structure()).getByRole('option', { name: 'by-parts, as its file says' })).toBeTruthy();
  });
});

describe('licences', () => {
  it('brought along have a yearly cost of their own; those in the rate have none', () => {
    const licences = [
      { product: 'castrum-db', how: 'brought' },
      { product: 'ledger-os', how: 'included' },
    ] as const;
    const { applied } = show(serverOf('a', { licences }));
    enter(inGroup(/^Own cost of castrum-db/, 'likely'), '1200');
    expect(applied).toEqual([
      set('licences', [{ ...licences[0], ownYearly: { likely: '1200' } }, licences[1]]),
    ]);
    expect(screen.queryByRole('group', { name: /^Own cost of ledger-os/ })).toBeNull();
  });

  it('keep their cost where another is added, and refuse what is no code', () => {
    const brought = { product: 'castrum-db', how: 'brought', ownYearly: { likely: '9' } } as const;
    const { applied } = show(serverOf('a', { licences: [brought] }));
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
    const { applied } = show(serverOf('a', { load }));
    fireEvent.click(screen.getByRole('checkbox', { name: /higher at certain hours/ }));
    const peak = { times: { likely: '3' }, days: [0, 1, 2, 3, 4], from: 9, hours: { likely: '2' } };
    expect(applied).toEqual([set('load', { ...load, peak })]);
  });

  it('has its days, its hour and its height', () => {
    const peak = { times: { likely: '3' }, days: [0, 4], from: 9, hours: { likely: '2' } };
    const { applied } = show(serverOf('a', { load: { ...load, peak } }));
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
    const { applied } = show(serverOf('a', { running }));
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
    const { applied } = show(serverOf('a', { months: { from: 4, to: null } }));
    enter(box('Last month'), '2');
    enter(box('First month'), '1');
    enter(box('First month'), '0');
    expect(applied).toEqual([set('months', { from: 4, to: 4 }), set('months', null)]);
    expect(screen.getByRole('alert').textContent).toContain('from 1 to 120');
  });
});
