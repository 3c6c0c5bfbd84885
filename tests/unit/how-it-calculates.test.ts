/** Every worked example of the page gives the number worked out by hand, explains itself, and the page is current. */
import fs from 'node:fs';
import { describe, expect, it } from 'vitest';
import { evaluate } from '@/engine/trace';
import { page, PARTS, shown } from '../../docs/examples/page';

describe.each(PARTS)('%s', (_, chapters) => {
  const rows = chapters.flatMap(({ title, examples }) =>
    examples.map((example) => [`${title}: ${example.says}`, example] as const),
  );

  it.each(rows)('%s', (_title, { figure, expect: expected }) => {
    expect(shown(figure.value)).toBe(expected);
    expect(evaluate(figure).equals(figure.value)).toBe(true);
  });
});

describe('docs/how-it-calculates.md', () => {
  it('is what ./run formats writes', () => {
    expect(fs.readFileSync('docs/how-it-calculates.md', 'utf8')).toBe(page());
  });
});
