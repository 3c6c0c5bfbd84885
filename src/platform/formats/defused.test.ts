/** Cells of CSV files: defused as the writer itself would, for every text; amounts as they are. */
import { stringify } from 'csv-stringify/sync';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { defused } from './defused';

const written = (text: string): string => stringify([[text, 'end']], { cast: { string: defused } });
const byTheWriter = (text: string): string => stringify([[text, 'end']], { escape_formulas: true });

describe('a cell', () => {
  it('that a spreadsheet would take for a formula is text', () => {
    for (const text of ['=1+1', '+1', '-1+2', '@SUM(A1)', '\t=1', '\r=1', '＝1', '＋1', '－1', '＠x', '-'])
      expect(written(text), text).toMatch(/^"?'/);
  });

  it('that is an amount is left alone', () => {
    for (const text of ['-1', '-0.05', '12.5', '0', '']) expect(written(text)).toBe(`${text},end\n`);
  });

  it('is written as the writer would, whatever it is', () => {
    const begin = fc.constantFrom('=', '+', '-', '@', '\t', '\r', '＝', ' ', '"', "'", 'é', '٣', '中', '');
    fc.assert(
      fc.property(begin, fc.string(), (first, rest) => {
        const text = `${first}${rest}`;
        fc.pre(!/^-?\d+(\.\d+)?$/.test(text));
        expect(written(text)).toBe(byTheWriter(text));
      }),
      { numRuns: 500 },
    );
  });
});
