import { describe, expect, it, vi } from 'vitest';
import { oneAtATime } from './one-at-a-time';

vi.mock('server-only', () => ({}));

const here = new AbortController().signal;

describe('work one at a time', () => {
  it('is done in order and never two at once, also after one has failed', async () => {
    const order: string[] = [];
    const work = (name: string) => async () => {
      order.push(`${name} begins`);
      await new Promise((resolve) => setTimeout(resolve, 5));
      order.push(`${name} ends`);
      if (name === 'b') throw new Error('b');
      return name;
    };
    const results = await Promise.allSettled(['a', 'b', 'c'].map((name) => oneAtATime(here, work(name))));
    expect(results.map((each) => each.status)).toEqual(['fulfilled', 'rejected', 'fulfilled']);
    expect(order).toEqual(['a', 'b', 'c'].flatMap((name) => [`${name} begins`, `${name} ends`]));
  });

  it('is not begun for who has gone, and refused where the line is long', async () => {
    let release = (): void => undefined;
    const first = oneAtATime(here, () => new Promise<void>((resolve) => (release = resolve)));
    const gone = new AbortController();
    const begun = vi.fn(async () => undefined);
    const second = oneAtATime(gone.signal, begun);
    const others = [oneAtATime(here, begun), oneAtATime(here, begun)];
    await expect(oneAtATime(here, begun)).rejects.toMatchObject({ code: 'busy' });
    gone.abort();
    release();
    await first;
    await expect(second).rejects.toMatchObject({ code: 'gone' });
    await Promise.all(others);
    expect(begun).toHaveBeenCalledTimes(2);
    await oneAtATime(here, begun);
  });
});
