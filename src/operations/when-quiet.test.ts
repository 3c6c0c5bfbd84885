import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { WhenQuiet } from './when-quiet';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

describe('work that waits until it is quiet', () => {
  it('is done once for many acts, for each thing by itself', () => {
    const work = vi.fn();
    const soon = new WhenQuiet(work, 100, 1000);
    for (let at = 0; at < 5; at += 1) {
      soon.note('a');
      vi.advanceTimersByTime(60);
    }
    soon.note('b');
    expect(work).not.toHaveBeenCalled();
    vi.advanceTimersByTime(100);
    expect(work.mock.calls).toEqual([['a'], ['b']]);
    soon.note('a');
    vi.advanceTimersByTime(100);
    expect(work).toHaveBeenCalledTimes(3);
  });

  it('is not put off for ever', () => {
    const work = vi.fn();
    const soon = new WhenQuiet(work, 100, 1000);
    for (let at = 0; at < 50; at += 1) {
      soon.note('a');
      vi.advanceTimersByTime(50);
    }
    expect(work).toHaveBeenCalledTimes(2);
  });
});
