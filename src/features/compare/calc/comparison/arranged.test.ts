import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyAlternative } from '@tests/support/alternatives';
import { anyWideDesign, WIDE_BOOKS } from '@tests/support/wide-designs';
import { decimal } from '@/engine/base';
import type { Design } from '@/engine/design';
import { arranged, compareDesign } from './';
import { drawn } from '@tests/support/drawn';

const anyCompared = fc
  .tuple(anyWideDesign, fc.array(anyAlternative, { minLength: 2, maxLength: 4 }))
  .map(([design, made]): Design => ({
    ...design,
    alternatives: made.map((each, at) => ({ ...each, id: `s${at}`, name: `Side ${at}` })),
  }));

describe('a comparison that is arranged', () => {
  it('says of every side that is left what the whole one says', () => {
    fc.assert(
      fc.property(anyCompared, fc.boolean(), fc.boolean(), (design, byAmount, hides) => {
        const whole = compareDesign(design, WIDE_BOOKS);
        const hidden = new Set(hides ? ['s1'] : []);
        const shown = arranged(whole, { hidden, byAmount });
        expect(shown.columns[0]).toBe(whole.columns[0]);
        expect(new Set(shown.columns)).toEqual(
          new Set(whole.columns.filter(({ id }) => id !== 's1' || !hides)),
        );
        for (const [at, column] of shown.columns.entries()) {
          const from = whole.columns.indexOf(column);
          shown.groups.forEach((group, index) => {
            expect(group.cells[at]).toBe(whole.groups[index]!.cells[from]);
            group.lines.forEach((line, row) =>
              expect(line.cells[at]).toBe(whole.groups[index]!.lines[row]!.cells[from]),
            );
          });
        }
        const amounts = shown.columns.slice(1).map(({ printed }) => decimal(printed));
        if (byAmount) expect([...amounts].sort((a, b) => a.comparedTo(b))).toEqual(amounts);
        // Only the hidden may have been cheaper than what is called cheapest.
        const complete = shown.columns
          .filter((column) => column.complete)
          .map(({ printed }) => Number(printed));
        expect(shown.cheapest === null ? [] : [Number(shown.columns[shown.cheapest]!.printed)]).toEqual(
          complete.length === 0 ? [] : [Math.min(...complete)],
        );
      }),
      { numRuns: drawn(60) },
    );
  });
});
