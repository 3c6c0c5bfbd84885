/**
 * The core against the second calculation: random designs that mix rules, to the digit. A failure prints its seed and
 * the smallest design and books that show it, as files that `wick price` takes. `./run bench exact` draws more, and
 * `exact-more.test.ts` is the other half, so that two cores share the work.
 */
import { describe, it } from 'vitest';
import { checkSeed } from './check-seed';
import { drawnSeeds } from '@tests/support/drawn';

const SEEDS = Array.from({ length: 10 }, (_, at) => at * 250);

describe('the core and the reference give the same amounts', () => {
  it.each(SEEDS)('for random designs from seed %i on', (from) => {
    for (const seed of drawnSeeds(from, 250)) checkSeed(seed);
  });
});
