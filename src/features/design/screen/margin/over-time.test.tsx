/** The months of a design and what is put on top; and what a month costs that nothing stops. */
import { act, cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { designOf, serverOf, transferOf } from '@tests/support/designs';
import type { Design, Edit } from '@/engine/design';
import type { PricingClient } from '@/features/design/worker/client';
import type { Answers } from '@/features/design/worker/protocol';
import { OverTime } from './over-time';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => {
  vi.useRealTimers();
  cleanup();
});

const box = (name: string | RegExp): HTMLElement => screen.getByRole('textbox', { name });

function enter(field: HTMLElement, text: string): void {
  fireEvent.change(field, { target: { value: text } });
  fireEvent.keyDown(field, { key: 'Enter' });
}

function show(part: Partial<Design['assumptions']> = {}, answer: Answers['budget'] = null) {
  const design = designOf(
    [
      serverOf('web', { name: 'Web' }),
      ...Array.from({ length: 9 }, (_, at) =>
        transferOf(`out${at}`, { likely: '1' }, { name: `Path ${at}` }),
      ),
    ],
    { assumptions: { month: { hours: '730' }, countAllowances: true, exchange: [], ...part } },
  );
  const applied: Edit[][] = [];
  const asked: unknown[] = [];
  const client = {
    ask: (question: { readonly ask: string; readonly times?: string }) => {
      asked.push([question.ask, question.times]);
      return Promise.resolve(answer);
    },
  } as unknown as PricingClient;
  render(
    <OverTime
      design={design}
      client={client}
      fame="/fame"
      apply={(edits) => void applied.push([...edits])}
    />,
  );
  return { applied, asked };
}

const set = (field: string, value: unknown) => [{ edit: 'set-assumption', field, value }];
const fault = (): string => screen.getByRole('alert').textContent ?? '';

describe('the months of a design', () => {
  it('have campaigns, by month and how many times the traffic', () => {
    const { applied } = show({ campaigns: [{ month: 3, times: '2.5' }] });
    expect((box(/^Campaigns/) as HTMLInputElement).value).toBe('3: 2.5');
    enter(box(/^Campaigns/), '3: 2.5, 11: 4');
    enter(box(/^Campaigns/), '');
    expect(applied).toEqual([
      set('campaigns', [
        { month: 3, times: '2.5' },
        { month: 11, times: '4' },
      ]),
      set('campaigns', null),
    ]);
  });

  it('refuse a campaign that stands twice, and a season that is no year', () => {
    const { applied } = show();
    enter(box(/^Campaigns/), '3: 2, 3: 4');
    expect(fault()).toContain('month 3 stands twice');
    fireEvent.keyDown(box(/^Campaigns/), { key: 'Escape' });
    enter(box(/^Season/), '1 1 1');
    expect(fault()).toContain('twelve multipliers');
    fireEvent.keyDown(box(/^Season/), { key: 'Escape' });
    enter(box(/^Season/), '1 1 1 1 1 2 3 2 1 1 1 1');
    expect(applied).toEqual([set('season', '1 1 1 1 1 2 3 2 1 1 1 1'.split(' '))]);
  });

  it('grow, traffic and stock each by its own', () => {
    const { applied } = show({ growth: { traffic: { likely: '0.02' }, stock: { likely: '0' } } });
    const stock = screen.getByRole('group', { name: /^What is held grows/ });
    enter(within(stock).getByRole('textbox', { name: 'likely' }), '5');
    expect(applied).toEqual([set('growth', { traffic: { likely: '0.02' }, stock: { likely: '0.05' } })]);
  });
});

describe('what is put on top', () => {
  it('is a percentage; of allowances never more than all', () => {
    const { applied } = show();
    enter(box('Contingency, %'), '10');
    enter(box('Allowances, %'), '150');
    expect(fault()).toContain('At most 100 %');
    fireEvent.keyDown(box('Allowances, %'), { key: 'Escape' });
    enter(box('Allowances, %'), '50');
    expect(applied).toEqual([set('contingency', '0.1'), set('allowanceShare', '0.5')]);
  });

  it('a budget is a number that is not negative, or none', () => {
    const { applied } = show({ budget: '100' });
    enter(box(/^Budget/), '-1');
    expect(fault()).toBe('A budget is not negative.');
    enter(box(/^Budget/), 'much');
    expect(fault()).toContain('not a number');
    enter(box(/^Budget/), '');
    expect(applied).toEqual([set('budget', null)]);
  });
});

it('a month of many times the traffic is looked at under Load', () => {
  show();
  expect(screen.getByRole('link', { name: 'If nothing stopped the traffic' }).getAttribute('href')).toBe(
    '/fame',
  );
});

describe('the budget', () => {
  it('says by how much the load may grow, asked once the typing pauses', async () => {
    const answer = { crossed: 'at', times: '2.5' } as const;
    const { asked } = show({ budget: '400' }, answer);
    await act(() => vi.advanceTimersByTimeAsync(300));
    expect(asked).toEqual([]);
    await act(() => vi.advanceTimersByTimeAsync(200));
    expect(asked).toEqual([['budget', undefined]]);
    expect(screen.getByRole('note').textContent).toBe('The budget is crossed at 2.5 times the load.');
  });
});
