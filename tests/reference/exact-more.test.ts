/** The other half of the random designs, and what they are: files that can be read, and every two rules together. */
import { describe, expect, it } from 'vitest';
import { priceDesign } from '@/core/pricing';
import { checkPriceBook, readDesign, writeDesign } from '@/formats';
import { booksOf } from './agree';
import { checkSeed } from './check-seed';
import { mixed } from './mixed-design';
import { Pairs, rulesByLine } from './pairs';
import { someOf } from './how-many';

const SEEDS = Array.from({ length: 10 }, (_, at) => 2500 + at * 250);

describe('the core and the reference give the same amounts', () => {
  it.each(SEEDS)('for random designs from seed %i on', (from) => {
    for (let seed = from; seed < from + someOf(250); seed += 1) checkSeed(seed);
  });
});

describe('the random designs', () => {
  it('are designs and books that files can hold', () => {
    for (let seed = 0; seed < 150; seed += 1) {
      const { design, books } = mixed(seed);
      for (const book of books) expect(checkPriceBook(book)).toMatchObject({ ok: true });
      expect(readDesign(writeDesign(design))).toMatchObject({ ok: true });
    }
  });

  it('are mostly priced, and bring every two rules together that can meet on a line', () => {
    const pairs = new Pairs();
    let [lines, unpriced] = [0, 0];
    for (let seed = 0; seed < 2500; seed += 1) {
      const drawn = mixed(seed);
      const priced = priceDesign(drawn.design, booksOf(drawn.books), 'likely');
      lines += priced.sections.reduce((sum, section) => sum + section.lines.length, 0);
      unpriced += priced.unpriced;
      pairs.add(rulesByLine(drawn, priced));
    }
    expect(unpriced / lines).toBeLessThan(0.05);
    expect(pairs.empty()).toEqual([]);
  });
});
