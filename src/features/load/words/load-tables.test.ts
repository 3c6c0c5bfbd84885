import { describe, expect, it } from 'vitest';
import type { Fame } from '@/features/load/calc';
import { cashTable, eventText } from '@/features/paying/words';
import { fameSentence, fameTable, swingsTable } from './load-tables';
import { flatCellText } from '@/platform/tables';

const ASKED = { times: '10', lasts: 'month', currency: 'USD' } as const;
const row = (id: string, now: string | null, then: string | null) => ({ id, name: `Line ${id}`, now, then });

describe('sudden fame as a table', () => {
  const fame: Fame = {
    now: '10.015',
    then: '40.02',
    rows: [
      row('a', '3.335', '33.34'),
      row('b', '3.335', '3.335'),
      row('c', '3.345', '3.345'),
      row('d', null, null),
    ],
  };

  it('adds up to what it prints, and says what has no amount', () => {
    const { rows, notes, head } = fameTable(fame, ASKED);
    const money = (cell: unknown): number => Math.round(Number((cell as { money: string }).money) * 100);
    const lines = rows.filter(({ level }) => level === 'line');
    const [total] = rows.filter(({ level }) => level === 'total');
    expect(lines.length).toBe(3);
    for (const column of [1, 2, 3]) {
      expect(lines.reduce((sum, { cells }) => sum + money(cells[column]), 0)).toBe(
        money(total!.cells[column]),
      );
    }
    expect(lines.map(({ cells }) => cells.at(-1))).toEqual(['moves', 'holds', 'holds']);
    expect(rows.every(({ cells }) => cells.length === head.length)).toBe(true);
    expect(notes[0]!.lines).toEqual(['1 line has no amount.']);
  });

  it('says in a sentence what moves, and that nothing does', () => {
    expect(fameSentence(fame, ASKED)).toMatch(
      /^A month at 10 times costs 30.01 USD more in that month: 1 line moves, 3 hold/,
    );
    const still = { now: '5', then: '5', rows: [row('a', '5', '5')] };
    expect(fameSentence(still, ASKED)).toBe('Nothing in this design follows it: the month stays as it is.');
  });
});

describe('cash as a table', () => {
  const side = (name: string, cash: readonly string[]) => ({
    name,
    quarters: cash.map((each) => ({ cash: each, monthly: '5' })),
    events: [{ month: 13, what: 'renewed' as const, line: 'a', name: 'Web', amount: '400' }],
  });

  it('runs on what has left, side by side, each named where there are several', () => {
    const alone = cashTable([side('The design', ['9', '2'])], 'USD', '');
    expect(alone.rows.map(({ cells }) => flatCellText(cells[3]!, 'USD'))).toEqual(['9.00', '11.00']);
    const thirds = cashTable([side('The design', ['1.004', '1.004', '1.004'])], 'USD', '');
    const money = (row: number, at: number): number =>
      Math.round(Number((thirds.rows[row]!.cells[at] as { money: string }).money) * 100);
    expect([money(0, 1) + money(1, 1), money(2, 3)]).toEqual([money(1, 3), 301]);
    expect(alone.head).toEqual(['Quarter', 'leaves', 'compares as', 'left since the beginning']);
    const two = cashTable([side('The design', ['9']), side('Other', ['4'])], 'USD', '');
    expect(two.head[4]).toBe('Other: leaves');
    expect(two.rows[0]!.cells.length).toBe(two.head.length);
    expect(two.notes.map(({ title }) => title)[1]).toBe('What happens when: Other');
  });

  it('says what happens in a month', () => {
    const at = (what: Parameters<typeof eventText>[0]['what'], name = 'Web') =>
      eventText({ month: 13, what, line: 'a', name, amount: null }, 'USD');
    expect([at('begins'), at('ends'), at('allowance-ends', '')]).toEqual([
      'Month 13: “Web” begins',
      'Month 13: “Web” ends',
      'Month 13: What was included free of charge ends',
    ]);
  });
});

it('swings say where an end has no amount', () => {
  const inputs = [{ label: 'Users', unit: 'user', lean: 1, heavy: 3 }];
  const { rows } = swingsTable(
    { likely: '5', swings: [{ input: 0, atLean: null, atHeavy: '9' }] },
    inputs,
    'USD',
  );
  expect(rows[0]!.cells).toEqual(['Users', '1 to 3 user', 'no amount', { money: '9' }]);
});
