import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { sentenceFor } from '@/platform/words';
import { monthValuesText, readMonthValues } from './month-values';

const refusal = (text: string): string => {
  const read = readMonthValues(text);
  return read.ok ? '' : sentenceFor(read.issue);
};

describe('values for some months', () => {
  it('are a month and a value each, in the order of the months', () => {
    expect(readMonthValues('9: 1.8,3: 2.5')).toEqual({
      ok: true,
      value: [
        { month: 3, value: '2.5' },
        { month: 9, value: '1.8' },
      ],
    });
    expect(readMonthValues('  ')).toEqual({ ok: true, value: [] });
  });

  it.each([
    ['3', 'such as 3: 2.5'],
    ['0: 2', 'such as 3: 2.5'],
    ['3: 2: 1', 'such as 3: 2.5'],
    ['121: 2', 'from 1 to 120'],
    ['3: much', 'not a number'],
    ['3: -1', 'cannot be negative'],
    ['3: 1, 3: 2', 'month 3 stands twice'],
  ])('“%s” is refused with what to write', (text, sentence) => {
    expect(refusal(text)).toContain(sentence);
  });

  it('are read as they are written', () => {
    const rows = fc
      .uniqueArray(fc.integer({ min: 1, max: 120 }), { maxLength: 12 })
      .chain((months) =>
        fc.tuple(
          ...months
            .sort((a, b) => a - b)
            .map((month) => fc.nat(100_000).map((n) => ({ month, value: String(n / 100) }))),
        ),
      );
    fc.assert(
      fc.property(rows, (list) => {
        expect(readMonthValues(monthValuesText(list))).toEqual({ ok: true, value: list });
      }),
    );
  });
});
