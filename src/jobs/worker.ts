/**
 * Works one job off: takes its row, keeps it warm while it lasts, hears who calls it off, and writes down what came of
 * it. Whoever takes a row that is taken already goes away again, so a job that was put in line twice is done once.
 */
import { AppError } from '@/platform/use/app-error';
import { type JobProgress, type JobStore, type JobWork, type WrittenFile } from '@/platform/use/job-ports';

export interface Doing {
  readonly signal: AbortSignal;
  readonly tell: (progress: JobProgress) => void;
}

export type DoJob = (work: JobWork, doing: Doing) => Promise<WrittenFile>;

/** Milliseconds between two signs of life; a process that gives none for `SILENT_SECONDS` is taken for dead. */
const BEAT = 1000;
export const SILENT_SECONDS = 15;
export const MOST_TRIES = 3;

/** Never throws for what the work itself refuses; what fails by chance waits again, a few times. */
export async function workOff(
  jobs: JobStore,
  id: string,
  doJob: DoJob,
  failed: (error: unknown) => void,
  every = BEAT,
): Promise<void> {
  const taken = await jobs.take(id);
  if (!taken) return;
  const ending = new AbortController();
  let progress: JobProgress | null = null;
  let telling: Promise<void> | null = null;
  // One sign after the other: of two at once the older could be written last.
  const tellAll = async (): Promise<void> => {
    do {
      const newest = progress;
      progress = null;
      // A database that does not answer for a moment: the next sign may reach it.
      if (await jobs.beat(taken, newest).catch(() => false)) ending.abort();
    } while (progress !== null);
  };
  const beat = (): void => {
    telling ??= tellAll().finally(() => {
      telling = null;
    });
  };
  const timer = setInterval(beat, every);
  const tell = (told: JobProgress): void => {
    progress = told;
    beat();
  };
  try {
    const file = await doJob(taken.work, { signal: ending.signal, tell });
    await telling;
    await jobs.end(taken, { state: 'done', file });
  } catch (thrown) {
    if (ending.signal.aborted) return await jobs.end(taken, { state: 'cancelled' });
    if (thrown instanceof AppError && thrown.code !== 'busy') {
      return await jobs.end(taken, { state: 'refused', code: thrown.code, message: thrown.message });
    }
    failed(thrown);
    if (taken.tries < MOST_TRIES) return await jobs.again(taken);
    const message = 'This failed several times, and nothing was made. The cause is in the log.';
    await jobs.end(taken, { state: 'refused', code: 'internal', message });
  } finally {
    clearInterval(timer);
  }
}
