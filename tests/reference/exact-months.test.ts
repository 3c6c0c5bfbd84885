/** The months one by one against the second calculation: what compares and what leaves. Rules 6 and 12. */
import { describe, expect, it } from 'vitest';
import { addAll } from '@/engine/base';
import { priceMonths } from '@/engine/analysis';
import { planOf } from '@/engine/pricing';
import { booksOf, monthDifferences, reported, shrunk } from './agree';
import { mixed } from './mixed-design';
import { drawnSeeds, metAtLeast } from '@tests/support/drawn';

const MONTHS = 15;
const SEEDS = Array.from({ length: 5 }, (_, at) => 20_000 + at * 80);

function check(seed: number): void {
  const drawn = mixed(seed);
  if (monthDifferences(drawn, MONTHS).length === 0) return;
  const small = shrunk(drawn, (one) => monthDifferences(one, MONTHS).length > 0);
  throw new Error(reported(small, monthDifferences(small, MONTHS)));
}

describe('the months of the core and of the reference are the same', () => {
  it.each(SEEDS)('for random designs from seed %i on', (from) => {
    for (const seed of drawnSeeds(from, 80)) check(seed);
  });

  it('add up: over whole terms, or where lines end before, what compares is what leaves', () => {
    let committed = 0;
    for (const seed of drawnSeeds(30_000, 120)) {
      const { design, books } = mixed(seed);
      const one = design.sections
        .flatMap((section) => section.components)
        .find(({ term, kind }) => term.startsWith('12-') && kind !== 'licence');
      if (!one) continue;
      committed += 1;
      const ends = { from: 1, to: 1 + (seed % 24) };
      const alone = {
        ...design,
        sections: [{ id: 's', name: 'S', components: [{ ...one, months: ends, choice: named(one.choice) }] }],
      };
      const { rows } = priceMonths(planOf(alone, booksOf(books)), 'likely', 24);
      const [compares, cash] = [addAll(rows.map((row) => row.monthly)), addAll(rows.map((row) => row.cash))];
      expect(compares.minus(cash).abs().lessThan('1e-20'), `seed ${seed}: ${compares} against ${cash}`).toBe(
        true,
      );
    }
    expect(committed).toBeGreaterThan(metAtLeast(25));
  });
});

/** A choice that stays the same from month to month. */
function named(choice: { readonly by: string }) {
  return choice.by === 'cheapest'
    ? { by: 'sku' as const, sku: 'S-8' }
    : (choice as { by: 'sku'; sku: string });
}
