import { describe, expect, it } from 'vitest';
import { type Patience, timely } from './timely';

const PATIENCE: Patience = { stalled: 300, least: { bytes: 1000, in: 60 }, whole: 250 };

/** Chunks of `size` bytes, each after `every` milliseconds. */
async function* sent(count: number, size: number, every: number): AsyncGenerator<Uint8Array> {
  for (let at = 0; at < count; at += 1) {
    await new Promise((resolve) => setTimeout(resolve, every));
    yield new Uint8Array(size);
  }
}

async function taken(source: AsyncIterable<Uint8Array>, pause = 0): Promise<number> {
  let bytes = 0;
  for await (const chunk of timely(source, PATIENCE)) {
    bytes += chunk.byteLength;
    if (pause > 0) await new Promise((resolve) => setTimeout(resolve, pause));
  }
  return bytes;
}

describe('an upload', () => {
  it('that comes is passed on whole', async () => {
    expect(await taken(sent(20, 5000, 1))).toBe(100_000);
  });

  it('is not blamed for the time that its reader takes', async () => {
    expect(await taken(sent(20, 10, 0), 25)).toBe(200);
  });

  it('that stalls is given up', async () => {
    await expect(taken(sent(2, 5000, 5000))).rejects.toThrow('stalled for 0.3 seconds');
  });

  it('that crawls is given up', async () => {
    await expect(taken(sent(50, 10, 20))).rejects.toThrow('slower than 17 kB');
  });

  it('that is fast enough each time, and goes on for ever, is given up too', async () => {
    await expect(taken(sent(1000, 5000, 15))).rejects.toThrow('took longer than 0.25 seconds');
  });
});
