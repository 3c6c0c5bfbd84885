/** Uploads take a place that others wait for: one that stalls, crawls or lasts too long is given up, with a sentence. */
import { AppError } from './app-error';

export interface Patience {
  /** Milliseconds without anything. */
  readonly stalled: number;
  /** So many bytes must come in each so many milliseconds that are spent waiting for the sender. */
  readonly least: { readonly bytes: number; readonly in: number };
  /** Milliseconds spent waiting for the sender in all. */
  readonly whole: number;
}

/** 10 kB a second at least, and a quarter of an hour in all: 200 MB at 2 Mbit a second. */
const PATIENCE: Patience = { stalled: 60_000, least: { bytes: 300_000, in: 30_000 }, whole: 15 * 60_000 };

const UNCHANGED = 'Nothing was changed.';

/** Passes a stream on; the time that its reader takes is not the sender's. */
export async function* timely(
  source: AsyncIterable<Uint8Array>,
  patience: Patience = PATIENCE,
): AsyncGenerator<Uint8Array> {
  const iterator = source[Symbol.asyncIterator]();
  const { least } = patience;
  let [waited, came, whole] = [0, 0, 0];
  for (;;) {
    const started = performance.now();
    const next = await inTime(iterator.next(), patience.stalled);
    if (next.done) return;
    const took = performance.now() - started;
    waited += took;
    whole += took;
    came += next.value.byteLength;
    if (whole > patience.whole) {
      throw given(
        `The upload took longer than ${written(patience.whole)} and was given up, because others wait for its place. ${UNCHANGED} Pack the file (gzip): it becomes a fraction of the size.`,
      );
    }
    if (waited > least.in) {
      if (came < least.bytes) {
        const speed = Math.round(least.bytes / least.in);
        throw given(
          `The upload was slower than ${speed} kB a second and was given up, because others wait for its place. ${UNCHANGED}`,
        );
      }
      [waited, came] = [0, 0];
    }
    yield next.value;
  }
}

async function inTime<T>(work: Promise<T>, most: number): Promise<T> {
  let timer: NodeJS.Timeout | undefined;
  const stalled = new Promise<never>((_, reject) => {
    const message = `The upload stalled for ${written(most)} and was given up. ${UNCHANGED} Try again.`;
    timer = setTimeout(() => reject(given(message)), most);
    timer.unref();
  });
  try {
    return await Promise.race([work, stalled]);
  } finally {
    clearTimeout(timer);
  }
}

function given(message: string): AppError {
  return new AppError('invalid', message);
}

function written(milliseconds: number): string {
  return milliseconds >= 120_000 ? `${milliseconds / 60_000} minutes` : `${milliseconds / 1000} seconds`;
}
