/** The short form of what `./run bench faults` tries at length: nothing bad, and something of either kind. */
import { describe, expect, it } from 'vitest';
import type { Counts } from './count';
import { tryDesigns } from './designs';
import { tryEdits } from './edits';
import { tryFiles } from './files';

function nothingBad({ tried, refused, taken, bad }: Counts, least: number): void {
  expect(bad).toEqual([]);
  expect(tried).toBeGreaterThanOrEqual(least);
  expect(refused + taken).toBe(tried);
  expect(Math.min(refused, taken)).toBeGreaterThan(least / 20);
}

describe('what is bent on purpose is refused, or taken and used', () => {
  it('in designs, at the edges of every field', async () => nothingBad(await tryDesigns(300), 300));
  it('in edits, and whatever is accepted can be taken out and brought in again', async () =>
    nothingBad(await tryEdits(120), 1440));
  it('in price books, endless ones and packed ones too', async () => nothingBad(await tryFiles(420), 400));
});
