import { describe, expect, it, vi } from 'vitest';
import { inTime } from './in-time';

vi.mock('server-only', () => ({}));

describe('a report that is waited for', () => {
  it('is begun once, is given when it is there in time, and is worked on meanwhile', async () => {
    let done: (value: string) => void = () => undefined;
    const begin = vi.fn(() => new Promise<string>((resolve) => (done = resolve)));
    expect(await inTime('long', begin, 5)).toBeNull();
    const again = inTime('long', begin, 5000);
    done('report');
    expect(await again).toBe('report');
    expect(begin).toHaveBeenCalledOnce();
    // It has ended: asked for again, it is begun again.
    const next = inTime('long', begin, 5000);
    done('newer');
    expect(await next).toBe('newer');
  });

  it('fails as the work fails', async () => {
    await expect(inTime('bad', () => Promise.reject(new Error('no')), 50)).rejects.toThrow('no');
    await expect(inTime('bad', async () => 'good', 50)).resolves.toBe('good');
  });
});
