/** Questions before a form is chosen: what is asked of whom, what is sent to be priced, and what is shown. */
import { act, cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { componentOf, designOf } from '@tests/support/designs';
import type { FormWish } from '@/features/compare/calc/deployment-forms';
import type { PricingClient } from '@/features/design/worker/client';
import type { PlainForm } from '@/features/design/worker/protocol';
import type { BookInfo } from '../book-list';
import { FIRST_WISHES, isWhole, trimmed } from './form-questions';
import { FormsDialog } from './forms-dialog';

afterEach(cleanup);

const SHELF = [
  { key: 'small', title: 'Small', revision: 3, regions: [{ code: 'severn', name: 'Severn' }] },
  { key: 'other', title: 'Other', revision: 7, regions: [{ code: 'elbe', name: 'Elbe' }] },
] as unknown as BookInfo[];

async function show(rows: readonly PlainForm[] = []) {
  const asked: { readonly wish: FormWish; readonly place: unknown; readonly books: unknown }[] = [];
  const client = {
    ask: ({ wish, place, design }: { wish: FormWish; place: unknown; design: { books: unknown } }) => {
      asked.push({ wish, place, books: design.books });
      return Promise.resolve(rows);
    },
  } as unknown as PricingClient;
  const onChoose = vi.fn();
  render(
    <FormsDialog
      open
      client={client}
      design={designOf([])}
      bookList={SHELF}
      place={null}
      onChoose={onChoose}
      onClose={() => undefined}
    />,
  );
  await act(async () => Promise.resolve());
  return { asked, onChoose };
}

async function choose(label: string, value: string): Promise<void> {
  fireEvent.change(screen.getByRole('combobox', { name: label }), { target: { value } });
  await act(async () => Promise.resolve());
}

async function type(label: string, value: string): Promise<void> {
  fireEvent.change(screen.getByRole('textbox', { name: label }), { target: { value } });
  await act(async () => Promise.resolve());
}

const row = (part: Partial<PlainForm>): PlainForm => ({
  label: 'Objects',
  edition: '',
  offer: 'Store, near',
  component: componentOf({ id: 'x', kind: 'object-store' }),
  monthly: '12.5',
  note: 'Any size.',
  ...part,
});

describe('questions', () => {
  it('of a machine are its system, its hardware and its hours', async () => {
    const { asked } = await show();
    await choose('Own control of the system', 'no');
    await choose('Hardware of one’s own', 'yes');
    await choose('Licence', 'brought');
    await choose('Runs', 'asleep');
    await type('vCPU of each', ' 8 ');
    expect(asked.at(-1)).toMatchObject({
      wish: {
        job: 'compute',
        ownSystem: false,
        ownHardware: true,
        licence: 'brought',
        running: 'asleep',
        vcpu: '8',
        memory: '16',
      },
      place: { book: 'small', region: 'severn' },
    });
  });

  it('of a store are how it is reached, what it holds and how often', async () => {
    const { asked } = await show();
    await choose('For what', 'store');
    expect(screen.queryByRole('combobox', { name: 'Runs' })).toBeNull();
    await choose('Reached', 'files');
    await type('GB held', '500');
    await choose('Reached', 'either');
    expect(asked.at(-1)!.wish).toEqual({ ...FIRST_WISHES.store, held: '500', reached: null });
    expect(asked.at(-2)!.wish).toMatchObject({ reached: 'files', held: '500' });
  });

  it('of messages are whether they are read again, how many and how large', async () => {
    const { asked } = await show();
    await choose('For what', 'messages');
    await choose('Read again, or by others', 'yes');
    await type('Days kept', '0');
    expect(asked.at(-1)!.wish).toEqual({ ...FIRST_WISHES.messages, again: true, days: '0' });
  });

  it('unfinished are not asked, and say what is missing', async () => {
    const { asked } = await show();
    const before = asked.length;
    await type('vCPU of each', '0');
    expect(screen.getByRole('alert').textContent).toBe('above zero');
    await type('vCPU of each', '2,5');
    expect(screen.getByRole('alert').textContent).toBe('a plain number');
    expect(asked).toHaveLength(before);
  });

  it('are asked at a place whose book the design does not use yet', async () => {
    const { asked } = await show();
    await choose('Where', 'other\nelbe');
    expect(asked.at(-1)).toMatchObject({ place: { book: 'other', region: 'elbe' } });
    expect(asked.at(-1)!.books).toContainEqual({ book: 'other', revision: 7 });
  });
});

describe('forms', () => {
  it('show what they cost, or why they do not fit, and the chosen one is taken', async () => {
    const { onChoose } = await show([
      row({ edition: 'grade seldom' }),
      row({ label: 'Rows by key', component: null, monthly: null, offer: '', note: 'Nothing is sold here.' }),
    ]);
    const [first, second] = within(screen.getByRole('list', { name: 'Forms' })).getAllByRole('listitem');
    expect(first!.textContent).toContain('Objects, grade seldom');
    expect(first!.textContent).toContain('12.50');
    expect(second!.textContent).toContain('does not fit');
    expect(second!.textContent).not.toMatch(/0\.00/);
    expect(within(second!).queryByRole('button')).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Take Objects, grade seldom' }));
    expect(onChoose).toHaveBeenCalledWith(expect.objectContaining({ kind: 'object-store' }));
  });
});

describe('wishes', () => {
  it.each(Object.values(FIRST_WISHES))('for $job begin with what can be priced', (wish) => {
    expect(isWhole(wish)).toBe(true);
    expect(trimmed(wish)).toEqual(wish);
  });

  it('are whole only with numbers that mean something', () => {
    const store = FIRST_WISHES.store as Extract<FormWish, { job: 'store' }>;
    expect(isWhole({ ...store, readBack: '0' })).toBe(true);
    expect(isWhole({ ...store, readBack: '-1' })).toBe(false);
    expect(isWhole({ ...store, held: '0' })).toBe(false);
    expect(isWhole({ ...store, held: '1e3' })).toBe(false);
    expect(trimmed({ ...store, held: ' 10 ' })).toMatchObject({ held: '10' });
  });
});
