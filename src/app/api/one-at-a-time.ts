/** Work that takes the whole process for seconds: one after the other, few in line, none for who has gone. */
import 'server-only';
import { AppError } from '@/operations';

const MOST_WAITING = 4;

let line: Promise<unknown> = Promise.resolve();
let waiting = 0;

/** Refused with `busy` where the line is long, and with `gone` where nobody waits any more. */
export async function oneAtATime<T>(signal: AbortSignal, work: () => Promise<T>): Promise<T> {
  if (waiting >= MOST_WAITING) {
    throw new AppError('busy', 'Several reports are being written already. Try again in a moment.');
  }
  waiting += 1;
  const turn = line.then(async () => {
    if (signal.aborted) throw new AppError('gone', 'Nobody waits for this any more.');
    return work();
  });
  line = turn.catch(() => undefined);
  try {
    return await turn;
  } finally {
    waiting -= 1;
  }
}
