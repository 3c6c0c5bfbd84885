/** The short form of what `./run bench faults` tries at length, where a database is needed for it. */
import { describe, expect, it, vi } from 'vitest';
import { canMount, tryFullDisk } from '@tests/faults/full-disk';
import { tryImportKills } from '@tests/faults/import-kills';

vi.setConfig({ testTimeout: 240_000 });

describe('what breaks off', () => {
  it('leaves nothing of an import, neither to see nor on the disk, and loses no edit', async () => {
    const { tried, refused, bad } = await tryImportKills(3);
    expect(bad).toEqual([]);
    expect([tried, refused > 0]).toEqual([3, true]);
  });

  // Only root can make a small disk.
  it.skipIf(!canMount())(
    'for want of room says so, goes on being read, and goes on with room again',
    async () => {
      const { tried, refused, taken, bad } = await tryFullDisk(60);
      expect(bad).toEqual([]);
      expect(refused + taken).toBe(tried);
      expect(refused).toBeGreaterThan(30);
    },
  );
});
