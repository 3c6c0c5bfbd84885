import { Worker } from 'node:worker_threads';
import { describe, expect, it, vi } from 'vitest';
import { AppError } from '@/platform/use/app-error';
import type { Lane } from './protocol';
import { deskOf, ThreadDesk } from './threads';

/** Plays a desk's thread: what to do with a job is said in its design's title. */
const PLAYED = `
  const { parentPort } = require('node:worker_threads');
  parentPort.on('message', ({ turn, name, given }) => {
    const title = given.design.title;
    if (title === 'stuck') for (;;);
    if (title === 'full') { const all = []; for (;;) all.push(new Array(100000).fill(all)); }
    if (title === 'dies') process.exit(3);
    if (title === 'refused') return parentPort.postMessage({ turn, refused: { code: 'invalid', message: 'No.', detail: {} } });
    if (title === 'fails') return parentPort.postMessage({ turn, failed: { message: 'Broken', code: 'ECONNREFUSED' } });
    setTimeout(() => parentPort.postMessage({ turn, value: title }), title === 'slow' ? 150 : 1);
  });
`;

function desk(patience = 5000, most: Partial<Record<Lane, number>> = {}, idle?: number) {
  const start = vi.fn(
    () => new Worker(PLAYED, { eval: true, resourceLimits: { maxOldGenerationSizeMb: 16 } }),
  );
  const made = new ThreadDesk({
    start,
    patience,
    idle,
    most: { team: 9, stranger: 9, background: 9, ...most },
  });
  const ask = (title: string, asking: Parameters<ThreadDesk['ask']>[2] = {}) =>
    made.ask('summary', { workspace: 'w', design: { title } as never }, asking) as Promise<unknown>;
  return { start, ask, made };
}

describe('a desk with a thread', () => {
  it('does one job after the other in one thread: the team’s first, what nobody looks at last', async () => {
    const { ask, start } = desk();
    const order: string[] = [];
    const done = (title: string, lane: Lane) => ask(title, { lane }).then(() => void order.push(title));
    await Promise.all([
      done('slow', 'background'),
      done('b', 'background'),
      done('s', 'stranger'),
      done('t', 'team'),
    ]);
    expect(order).toEqual(['slow', 't', 's', 'b']);
    expect(start).toHaveBeenCalledOnce();
  });

  it('hands on refusals and faults as they were', async () => {
    const { ask } = desk();
    await expect(ask('refused')).rejects.toMatchObject({ code: 'invalid', message: 'No.' });
    const fault = ask('fails');
    await expect(fault).rejects.toMatchObject({ message: 'Broken', code: 'ECONNREFUSED' });
    await expect(fault).rejects.not.toBeInstanceOf(AppError);
  });

  it.each(['stuck', 'full'])(
    'ends a thread that is %s, says so, and goes on with a new one',
    async (title) => {
      const { ask, start } = desk(title === 'stuck' ? 300 : 20_000);
      const [bad, next] = [ask(title), ask('next')];
      await expect(bad).rejects.toMatchObject({ code: 'too-large' });
      await expect(next).resolves.toBe('next');
      expect(start).toHaveBeenCalledTimes(2);
    },
  );

  it('survives a thread that ends by itself, and one that cannot be started', async () => {
    const { ask } = desk();
    await expect(ask('dies')).rejects.toThrow('ended');
    await expect(ask('next')).resolves.toBe('next');
    const none = new ThreadDesk({
      start: () => {
        throw new AppError('unavailable', 'Not there.');
      },
      patience: 10,
      most: { team: 1, stranger: 1, background: 1 },
    });
    const given = { workspace: 'w', design: {} as never };
    await expect(none.ask('summary', given)).rejects.toMatchObject({ code: 'unavailable' });
    await expect(none.ask('summary', given)).rejects.toMatchObject({ code: 'unavailable' });
  });

  it('does nothing for who has left, before their turn or in the middle of it', async () => {
    const { ask, start } = desk();
    const [first, second] = [new AbortController(), new AbortController()];
    const stuck = ask('stuck', { signal: first.signal });
    const waiting = ask('waits', { signal: second.signal });
    second.abort();
    await expect(waiting).rejects.toMatchObject({ code: 'gone' });
    first.abort();
    await expect(stuck).rejects.toMatchObject({ code: 'gone' });
    await expect(ask('late', { signal: first.signal })).rejects.toMatchObject({ code: 'gone' });
    await expect(ask('next')).resolves.toBe('next');
    expect(start).toHaveBeenCalledTimes(2);
  });

  it('refuses where the line is long, each lane by itself', async () => {
    const { ask } = desk(5000, { stranger: 1 });
    const running = ask('slow', { lane: 'stranger' });
    const waiting = ask('waits', { lane: 'stranger' });
    await expect(ask('more', { lane: 'stranger' })).rejects.toMatchObject({ code: 'busy' });
    await expect(ask('ours')).resolves.toBe('ours');
    await expect(Promise.all([running, waiting])).resolves.toEqual(['slow', 'waits']);
    await expect(ask('again', { lane: 'stranger' })).resolves.toBe('again');
  });

  it('ends a thread that has had nothing to do, and starts another when there is something', async () => {
    const { ask, start } = desk(5000, {}, 40);
    await ask('first');
    await ask('second');
    expect(start).toHaveBeenCalledTimes(1);
    await new Promise((resolve) => setTimeout(resolve, 150));
    await expect(ask('third')).resolves.toBe('third');
    expect(start).toHaveBeenCalledTimes(2);
  });

  it('writes files in a thread of its own', async () => {
    const named = (name: string) => ({ ask: async () => name as never });
    const both = deskOf(named('pages'), named('files'));
    expect(await both.ask('linked', { token: '' })).toBe('pages');
    expect(await both.ask('linked-file', { tokenHash: '', form: 'pdf' })).toBe('files');
  });
});
