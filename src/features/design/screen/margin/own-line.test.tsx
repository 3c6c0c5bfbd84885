/** An own line: how it is charged is typed as text, shown while it is typed, and refused where it has a gap. */
import { cleanup, fireEvent, screen, within } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import { componentOf } from '@tests/support/designs';
import { box, enter, set, showSettings, type } from '@tests/support/margin';
import type { Component } from '@/engine/design';

afterEach(cleanup);

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
    const { applied } = showSettings(own({ structure: 'per-unit', price: '0.09' }));
    fireEvent.change(structure(), { target: { value: 'graduated' } });
    fireEvent.change(structure(), { target: { value: 'flat' } });
    expect(applied).toEqual([
      custom({ charge: { structure: 'graduated', tiers: [{ upTo: null, price: '0.09' }] } }),
      custom({ charge: { structure: 'flat', amount: '0.09', once: false } }),
    ]);
  });

  it('takes tiers as text, shows them while they are typed, and refuses what has a gap', () => {
    const { applied, previewed } = showSettings(
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
    const stepped = showSettings(
      own({ structure: 'stepped', bands: [{ upTo: '50', fee: '5' }], beyond: null }),
    );
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
    const block = showSettings(own({ structure: 'per-block', block: '10', price: '1' }));
    enter(box('Block, GB'), '0');
    expect(screen.getByRole('alert').textContent).toContain('above zero');
    enter(box('Block, GB'), '64');
    expect(block.applied).toEqual([custom({ charge: { structure: 'per-block', block: '64', price: '1' } })]);
    cleanup();
    const flat = showSettings(own({ structure: 'flat', amount: '500', once: false }));
    fireEvent.click(screen.getByRole('checkbox', { name: /paid once/ }));
    expect(flat.applied).toEqual([custom({ charge: { structure: 'flat', amount: '500', once: true } })]);
    // One amount has no use to multiply, and nothing is included in it.
    expect(screen.queryByRole('group', { name: /^Amount/ })).toBeNull();
    expect(screen.queryByRole('textbox', { name: /^Included/ })).toBeNull();
  });

  it('includes so much free of charge, or nothing', () => {
    const charge = { structure: 'per-unit', price: '0.09' } as const;
    const first = showSettings(own(charge));
    enter(box(/^Included each month/), '100');
    expect(first.applied).toEqual([custom({ charge, allowance: '100' })]);
    cleanup();
    const with100 = own(charge);
    const second = showSettings({ ...with100, custom: [{ ...with100.custom![0]!, allowance: '100' }] });
    enter(box(/^Included each month/), '');
    expect(second.applied).toEqual([custom({ charge })]);
  });

  it('that came in with a structure nobody can type keeps it', () => {
    showSettings(own({ structure: 'by-parts', vcpu: '1', memory: '1', gpu: null }));
    expect((structure() as HTMLSelectElement).value).toBe('by-parts');
    expect(within(structure()).getByRole('option', { name: 'by-parts, as its file says' })).toBeTruthy();
  });
});
