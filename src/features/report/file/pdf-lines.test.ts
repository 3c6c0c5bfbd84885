import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { ReportSection } from '@/features/report/calc';
import { stretches, TOGETHER } from './pdf-lines';

const sectionOf = (id: string, count: number): ReportSection =>
  ({
    id,
    name: id,
    amount: '1',
    lines: Array.from({ length: count }, (_, at) => ({ id: `${id}-${at}` })),
  }) as unknown as ReportSection;

describe('lines on paper', () => {
  it('are laid out in stretches that hold every line once, in order, under its section', () => {
    const counts = fc.array(fc.integer({ min: 0, max: 3 * TOGETHER }), { maxLength: 6 });
    fc.assert(
      fc.property(counts, (sizes) => {
        const sections = sizes.map((size, at) => sectionOf(`s${at}`, size));
        const made = stretches(sections);
        const rows = (of: readonly ReportSection[]) =>
          of.flatMap(({ id, lines }) => lines.map((line) => [id, line.id]));
        expect(made.flatMap(rows)).toEqual(rows(sections));
        for (const stretch of made) expect(rows(stretch).length).toBeLessThanOrEqual(TOGETHER);
        // Each amount stands once: where the section begins.
        const heads = made.flat().filter((section) => !section.isContinued);
        expect(heads.map(({ id }) => id)).toEqual(sections.map(({ id }) => id));
        expect(made.flat().filter(({ isContinued, lines }) => isContinued && lines.length === 0)).toEqual([]);
      }),
    );
  });
});
