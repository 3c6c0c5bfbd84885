import { describe, expect, it } from 'vitest';
import { quayStudy } from '@tests/support/studies';
import { addAll, decimal } from '@/engine/base';
import { explainAmount, type Study, studyAnswer } from '@/features/own-or-rent/calc';
import { quartersTable, studyQuarters } from './study-quarters';

const sum = (amounts: readonly string[]): string => addAll(amounts.map(decimal)).toString();
const BASES = ['cash', 'spread'] as const;

describe('quarters of a study', () => {
  it.each(BASES)('add up to the printed years and to the whole, as %s', (basis) => {
    const answer = studyAnswer({ ...quayStudy(), basis, start: '2027-02' }, 'pair');
    const quarters = studyQuarters(answer);
    expect(quarters).toHaveLength(20);
    const [own, rent] = [answer.own, answer.rent].map((id) =>
      answer.variants.find((each) => each.id === id)!,
    );
    for (let year = 0; year < 5; year += 1) {
      const four = quarters.slice(year * 4, year * 4 + 4);
      expect(sum(four.map((each) => each.own))).toBe(own!.table.years[year]);
      expect(sum(four.map((each) => each.rent))).toBe(rent!.table.years[year]);
    }
    expect(quarters.at(-1)!.soFar).toBe(answer.more);
    expect(sum(quarters.map(({ more }) => more))).toBe(answer.more);
    expect(quarters.slice(3, 5).map(({ name }) => name)).toEqual(['Nov 2027 to Jan 2028', 'Feb to Apr 2028']);
  });

  it('are a table that has each year after its four, and the whole last', () => {
    const answer = studyAnswer(quayStudy(), 'pair');
    const { rows } = quartersTable(answer);
    expect(rows.map(({ level }) => level[0]).join('')).toBe(`${'llllg'.repeat(5)}t`);
    expect(rows[4]!.cells[0]).toBe('2027');
    expect(rows.at(-1)!.cells[3]).toEqual({ money: answer.more });
    expect(quartersTable({ ...answer, more: null }).rows).toEqual([]);
  });

  it('open into what they are made of, with what is left in the last one', () => {
    const study: Study = { ...quayStudy(), basis: 'cash', worthLeft: true };
    const answer = studyAnswer(study, 'pair');
    const own = answer.variants.find(({ id }) => id === answer.own)!;
    const lines = [...new Set(own.table.kinds.flatMap((kind) => kind.lines.map(({ id }) => id)))];
    expect(own.table.kinds.some(({ kind }) => kind === 'worth')).toBe(true);
    studyQuarters(answer).forEach(({ from, to, own: printed, name }, at) => {
      const worth = at === 19 ? { worth: 'too' as const } : {};
      const asked = { variant: own.id, lines, from, to, basis: 'cash' as const, title: name, ...worth };
      const exact = explainAmount(study, asked)!.value;
      // Months are rounded so that they add up: within a cent for each.
      expect(exact.minus(printed).abs().lessThanOrEqualTo('0.03'), name).toBe(true);
    });
  });
});
