/** What ended by itself is started again, slower each time, and not for ever. */
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { supervised } from '../../scripts/lib/supervise';

const said: string[] = [];
beforeEach(() => {
  said.length = 0;
  vi.useFakeTimers();
  vi.spyOn(process.stderr, 'write').mockImplementation((text) => said.push(String(text)) > 0);
});
afterEach(() => {
  vi.restoreAllMocks();
  vi.useRealTimers();
});

const never = (): boolean => false;

describe('a supervisor', () => {
  it('starts again within a second, and says so', async () => {
    const start = vi.fn(async () => undefined);
    const done = supervised('The application', vi.fn())(start, never);
    await vi.advanceTimersByTimeAsync(1000);
    await done;
    expect(start).toHaveBeenCalledTimes(1);
    expect(said.join('')).toMatch(/ended unexpectedly and is started again[^]*is back/);
  });

  it('tries again, slower, where that fails', async () => {
    let left = 3;
    const start = vi.fn(async () => {
      left -= 1;
      if (left > 0) throw new Error('not yet');
    });
    const done = supervised('The database', vi.fn())(start, never);
    await vi.advanceTimersByTimeAsync(200);
    expect(start).toHaveBeenCalledTimes(1);
    await vi.advanceTimersByTimeAsync(1000);
    expect(start).toHaveBeenCalledTimes(2);
    await vi.advanceTimersByTimeAsync(2000);
    await done;
    expect(start).toHaveBeenCalledTimes(3);
  });

  it('gives up after twenty in ten minutes, with a sentence; older ones are forgotten', async () => {
    const giveUp = vi.fn();
    const restart = supervised('The application', giveUp);
    const once = async (): Promise<void> => {
      const done = restart(async () => undefined, never);
      await vi.advanceTimersByTimeAsync(300);
      await done;
    };
    for (let end = 0; end < 20; end += 1) await once();
    expect(giveUp).not.toHaveBeenCalled();
    await vi.advanceTimersByTimeAsync(11 * 60_000);
    await once();
    expect(giveUp).not.toHaveBeenCalled();
    for (let end = 0; end < 20; end += 1) await once();
    expect(giveUp).toHaveBeenCalledTimes(1);
    expect(said.at(-1)).toContain('is given up');
  });

  it('does nothing where it is to end', async () => {
    const start = vi.fn(async () => undefined);
    await supervised('The application', vi.fn())(start, () => true);
    expect(start).not.toHaveBeenCalled();
  });
});
