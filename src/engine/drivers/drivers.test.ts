import { USERS } from '@tests/support/drivers';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decimal, must, type Result } from '../base';
import { sentenceFor } from '@/platform/words';
import type { Figure } from '../trace';
import { formulaSteps, joined, parseFormula, readMeasure, scaleBetween, writeMeasure } from './';

const STATED = [USERS, { ...USERS, name: 'rate', unit: 'request/s', value: { likely: '40' } }];

function given(text: string, unit = '', whole = false): Result<Figure> {
  const formula = parseFormula(text);
  return formula.ok ? formulaSteps(formula.value, STATED, 'likely', { label: 'Use', unit, whole }) : formula;
}

/** The number, or the code of what is wrong. */
const says = (text: string, unit = '', whole = false): string => {
  const made = given(text, unit, whole);
  return made.ok ? made.value.value.toString() : made.issue.code;
};

describe('a formula', () => {
  it.each([
    ['users * 30[request/user]', 'request', '6000'],
    ['users * 30[request/user] + 1[thousand requests]', 'request', '7000'],
    ['ceil(users / 150[user])', '', '2'],
    ['min(users, 150[user]) × 0.2[GB/user]', 'GB', '30'],
    ['max(users, 500[user]) * 2[MB/user]', 'GB', '1'],
    ['users ÷ 4 * 1[kB/user] + 2[MB]', 'MB', '2.05'],
    ['rate / 4[request]', '1/s', '10'],
    ['rate', 'request/s', '40'],
    ['2 * (3 + 4) - 1', '', '13'],
    ['-(2 - 5)', '', '3'],
    ['users * 3[GB/user]/1[month]', 'GB', '600'],
  ])('%s in %s is %s', (text, unit, value) => {
    expect(says(text, unit)).toBe(value);
  });

  it.each([
    ['users * 3[GB/user]', '', 'formula.unit'],
    ['users', 'request', 'formula.unit'],
    ['users + 3[GB]', '', 'formula.mixes-units'],
    ['min(users, 3)', '', 'formula.mixes-units'],
    ['viewers * 2', '', 'formula.refers-to-nothing'],
    ['constructor', '', 'formula.refers-to-nothing'],
    ['1 / (users - 200[user])', '', 'formula.divides-by-zero'],
    ['3 - 5', '', 'formula.negative'],
  ])('%s cannot fill %s: %s', (text, unit, code) => {
    expect(says(text, unit)).toBe(code);
  });

  it.each([
    ['', 'nothing is written'],
    ['3 +', 'at character 4: a number or a driver is missing'],
    ['(3', 'a parenthesis is not closed'],
    ['3 4', 'an operator is missing between two parts'],
    ['3GB', 'a unit stands in brackets, as in 3[GB]'],
    ['3[GB', 'a unit in brackets does not end'],
    ['min(3)', 'min takes two parts or more'],
    ['fetch(1)', 'there is no “fetch”'],
    ['toString(1)', 'there is no “toString”'],
    ['users.constructor', 'only numbers, drivers'],
    ['users["constructor"]', 'only numbers, drivers'],
    ['users = 3', 'this cannot stand here'],
    ['1 ? 2 : 3', 'only numbers, drivers'],
    ['1e999', 'too long a number'],
    [`${'('.repeat(200)}1${')'.repeat(200)} + 0`, 'at most 300 characters'],
    [`${'ceil('.repeat(40)}1${')'.repeat(40)}`, 'levels of parentheses'],
  ])('%s is refused in words', (text, words) => {
    const read = parseFormula(text);
    expect(read.ok ? 'read' : sentenceFor(read.issue)).toContain(words);
  });

  it('is never anything but a value or a reason, whatever is typed', () => {
    const piece = fc.constantFrom(
      'users',
      'rate',
      '3',
      '0',
      '[user]',
      '[',
      ']',
      '(',
      ')',
      '+',
      '-',
      '*',
      '/',
      'min',
      ',',
      'ceil',
      ' ',
      '.',
      'x',
    );
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 14 }), (pieces) => {
        const made = given(pieces.join(''));
        if (made.ok) expect(made.value.value.isFinite()).toBe(true);
        else expect(made.issue.code).toMatch(/^formula\./);
      }),
      { numRuns: 400 },
    );
  });

  it('rounds a count up, and says so in its steps', () => {
    expect(says('users / 150[user]', '', true)).toBe('2');
    expect(must(given('users / 150[user]', '', true)).note).toContain('follows users / 150[user]');
  });

  it('shows each driver as the entry that it is', () => {
    const leaves = (figure: Figure): Figure[] => [figure, ...figure.parts.flatMap(leaves)];
    const inputs = leaves(must(given('users * 2[GB/user]', 'GB'))).flatMap(({ input }) => input ?? []);
    expect(inputs).toEqual([{ component: 'drivers', entry: 'users' }]);
  });
});

describe('what a value is measured in', () => {
  it('cancels, and converts within a dimension exactly', () => {
    expect(writeMeasure(joined(readMeasure('GB/user'), readMeasure('user')).measure)).toBe('GB');
    expect(scaleBetween(readMeasure('GiB'), readMeasure('GB'))?.toString()).toBe('1.073741824');
    expect(scaleBetween(readMeasure('request/s'), readMeasure('request/h'))?.toString()).toBe('3600');
    expect(scaleBetween(readMeasure('GB'), readMeasure('GB-month'))).toBeNull();
    expect(scaleBetween(readMeasure('cat'), readMeasure('dog'))).toBeNull();
  });

  it('is the same there and back', () => {
    const units = fc.constantFrom(
      'GB',
      'MiB',
      'request',
      'user',
      'ship',
      'request/s',
      'hour',
      'GB/user',
      'TB/ship',
    );
    fc.assert(
      fc.property(units, units, (a, b) => {
        const there = joined(readMeasure(a), readMeasure(b));
        const back = joined(there.measure, readMeasure(b), -1);
        const scale = scaleBetween(back.measure, readMeasure(a))!;
        expect(
          scale.times(there.scale).times(back.scale).minus(1).abs().lessThan(decimal('0.000000000000001')),
        ).toBe(true);
      }),
    );
  });
});
