// @vitest-environment jsdom
/** What windows keep in the browser's store, and who takes over what a window left that is gone. */
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { count } from '@tests/support/fake-session';
import type { PendingBatch } from './session-types';

const PLACE = { installation: 'here', design: 'one' };
const pending = (batch: string): PendingBatch[] => [{ batch, edits: [count('2')], from: 3, tab: batch }];
const keyOf = (tab: string, { installation, design } = PLACE): string =>
  `wick-tally/${installation}/pending/${design}/${tab}`;

/** Locks of all windows of one browser: who holds them, and what was asked meanwhile. */
let held: Set<string>;
type Work = (lock: object | null) => unknown;

async function fresh() {
  vi.resetModules();
  return import('./unsaved-edits');
}

beforeEach(() => {
  held = new Set();
  localStorage.clear();
  sessionStorage.clear();
  const request = async (name: string, second: unknown, third?: Work): Promise<unknown> => {
    const work = (third ?? second) as Work;
    if (third && held.has(name)) return work(null);
    held.add(name);
    const result = work({ name });
    if (third) return result;
    await result;
    held.delete(name);
    return result;
  };
  const query = async () => ({ held: [...held].map((name) => ({ name })) });
  Object.defineProperty(navigator, 'locks', { value: { request, query }, configurable: true });
});

describe('a window', () => {
  it('has the same name after a reload, and another in a copy of it', async () => {
    const first = await (await fresh()).thisWindow();
    // The page is gone, and comes back in the same window.
    held.clear();
    expect(await (await fresh()).thisWindow()).toBe(first);
    // A copied window has the same store, and the first still lives.
    expect(await (await fresh()).thisWindow()).not.toBe(first);
  });

  it('keeps its own under installation and design, and forgets it when all is saved', async () => {
    const { writeKept, readOwn } = await fresh();
    expect(writeKept(PLACE, 'a', pending('x'))).toBe(true);
    expect(readOwn(PLACE, 'a')).toEqual(pending('x'));
    expect(readOwn({ ...PLACE, installation: 'another' }, 'a')).toEqual([]);
    expect(readOwn({ ...PLACE, design: 'two' }, 'a')).toEqual([]);
    expect(writeKept(PLACE, 'a', [])).toBe(true);
    expect(localStorage.length).toBe(0);
  });

  it('says so where nothing can be kept', async () => {
    const { writeKept } = await fresh();
    const full = vi.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    expect(writeKept(PLACE, 'a', pending('x'))).toBe(false);
    full.mockRestore();
  });
});

describe('what a window left that is gone', () => {
  it('is taken over once; what belongs to living ones, to this one or elsewhere is not', async () => {
    const { adoptLeft, thisWindow } = await fresh();
    const own = await thisWindow();
    held.add('wick-tally/window/alive');
    localStorage.setItem(keyOf('gone'), JSON.stringify(pending('gone')));
    localStorage.setItem(keyOf('alive'), JSON.stringify(pending('alive')));
    localStorage.setItem(keyOf(own), JSON.stringify(pending('own')));
    localStorage.setItem(keyOf('x', { ...PLACE, design: 'two' }), JSON.stringify(pending('two')));
    localStorage.setItem(keyOf('x', { ...PLACE, installation: 'other' }), JSON.stringify(pending('other')));
    const taken: string[] = [];
    const adopt = (edits: readonly PendingBatch[]): boolean =>
      taken.push(...edits.map((each) => each.batch)) > 0;
    await adoptLeft(PLACE, adopt);
    await adoptLeft(PLACE, adopt);
    expect(taken).toEqual(['gone']);
    expect(localStorage.getItem(keyOf('gone'))).toBeNull();
    expect(localStorage.length).toBe(4);
  });

  it('stays where it is while it is not kept here', async () => {
    const { adoptLeft } = await fresh();
    localStorage.setItem(keyOf('gone'), JSON.stringify(pending('gone')));
    await adoptLeft(PLACE, () => false);
    expect(localStorage.getItem(keyOf('gone'))).not.toBeNull();
  });

  it('is read as the version before wrote it, and what cannot be read does no harm', async () => {
    const { adoptLeft } = await fresh();
    const before = { baseRevision: 5, pending: [{ batch: 'old', edits: [count('4')] }] };
    localStorage.setItem('wick-tally/pending/one', JSON.stringify(before));
    localStorage.setItem(keyOf('broken'), '{');
    const taken: PendingBatch[] = [];
    await adoptLeft(PLACE, (edits) => taken.push(...edits) > 0);
    expect(taken).toEqual([{ batch: 'old', edits: [count('4')], from: 5, tab: 'earlier' }]);
    expect(localStorage.length).toBe(0);
  });
});
