/** The months of a design and what is put on top; and what a month costs that nothing stops. */
import { act, cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { designOf, serverOf, transferOf } from '@tests/support/designs';
import type { Design, Edit } from '@/core/design';
import type { PricingClient } from '@/workers/client';
import type { Answers, RunawayAnswer } from '@/workers/protocol';
import { OverTime } from './over-time';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => {
  vi.useRealTimers();
  cleanup();
});

const plain = (text: string | null | undefined): string => (text ?? '').replace(/\u00a0/g, ' ');
const box = (name: string | RegExp): HTMLElement => screen.getByRole('textbox', { name });

function enter(field: HTMLElement, text: string): void {
  fireEvent.change(field, { target: { value: text } });
  fireEvent.keyDown(field, { key: 'Enter' });
}

function show(part: Partial<Design['assumptions']> = {}, answer: RunawayAnswer | Answers['budget'] = null) {
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
  render(<OverTime design={design} client={client} apply={(edits) => void applied.push([...edits])} />);
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

describe('traffic that nothing stops', () => {
  const rows = Array.from({ length: 9 }, (_, at) => ({ id: `out${at}`, now: '1', then: `${101.005 - at}` }));
  const answer: RunawayAnswer = { now: '82', then: '955.045', rows };

  async function open(times?: string) {
    const details = screen.getByText('If nothing stopped the traffic').closest('details')!;
    details.open = true;
    fireEvent(details, new Event('toggle'));
    if (times !== undefined) {
      fireEvent.change(screen.getByRole('combobox', { name: 'Times the traffic' }), {
        target: { value: times },
      });
    }
    await act(() => vi.advanceTimersByTimeAsync(500));
    return details;
  }

  it('is not priced before somebody asks', async () => {
    const { asked } = show({}, answer);
    await act(() => vi.advanceTimersByTimeAsync(2000));
    expect(asked).toEqual([]);
    await open('1000');
    expect(asked).toEqual([['runaway', '1000']]);
  });

  it('names the worst lines, gathers the rest, and adds up to what it prints', async () => {
    show({}, answer);
    const details = await open();
    const cells = within(details)
      .getAllByRole('row')
      .map((row) => [...row.children].map((cell) => plain(cell.textContent)));
    expect(cells[0]![0]).toBe('Path 0');
    expect(cells[6]![0]).toBe('3 more lines');
    const printed = cells.map(([, amount]) => Math.round(Number(amount!.replace(/ /g, '')) * 100));
    const total = printed.pop()!;
    expect(printed.reduce((sum, each) => sum + each, 0)).toBe(total);
    expect(plain(details.textContent)).toContain('A day of it costs about 31.40 USD');
  });

  it('says so where nothing follows traffic', async () => {
    show({}, { now: '73', then: '73', rows: [] });
    expect((await open()).textContent).toContain('Nothing in this design follows traffic.');
  });
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
