/** An import that everyone can watch and stop: written down when it begins, now and then, and how it ended. */
import { AppError, asAppError } from './app-error';
import type { Context, ImportOutcome } from '@/stores/ports';

export interface Upload {
  /** Chosen by the caller, so that progress can be asked for while the file is still on its way. */
  readonly id: string;
  readonly fileName: string;
  readonly bytesTotal: number | null;
  readonly source: AsyncIterable<Uint8Array>;
}

/** Called with what was read so far; throws when somebody asked to stop. `at once`: without waiting for the next time. */
export type Between = (bytes: number, entries: number, atOnce?: boolean) => Promise<void>;

/** How often progress is written down and a wish to cancel looked for. */
const EVERY_MILLISECONDS = 400;
/** Each holds a connection while it lasts; the others are for everybody else. */
const MOST_AT_ONCE = 3;

let underWay = 0;

class Cancelled extends Error {}

interface Work<T> {
  readonly work: (between: Between) => Promise<T>;
  readonly outcome: (done: T) => ImportOutcome;
}

export async function trackedImport<T>(context: Context, upload: Upload, work: Work<T>): Promise<T> {
  if (underWay >= MOST_AT_ONCE) {
    const message = `${MOST_AT_ONCE} imports are under way already. Try again when one of them has ended.`;
    throw new AppError('unavailable', message);
  }
  underWay += 1;
  try {
    return await tracked(context, upload, work);
  } finally {
    underWay -= 1;
  }
}

async function tracked<T>(
  { imports, actor, now }: Context,
  upload: Upload,
  { work, outcome }: Work<T>,
): Promise<T> {
  await imports.begin(actor.workspace, upload, now());
  let last = now().getTime();
  const between: Between = async (bytes, entries, atOnce = false) => {
    const at = now();
    if (!atOnce && at.getTime() - last < EVERY_MILLISECONDS) return;
    last = at.getTime();
    if (await imports.progress(upload.id, bytes, entries, at)) throw new Cancelled();
  };
  try {
    const done = await work(between);
    await imports.end(upload.id, 'done', outcome(done), now());
    return done;
  } catch (thrown) {
    const error =
      thrown instanceof Cancelled
        ? new AppError('conflict', 'The import was cancelled. Nothing was changed.')
        : asAppError(thrown);
    const state = thrown instanceof Cancelled ? 'cancelled' : 'refused';
    await imports
      .end(upload.id, state, { message: error.message, ...error.detail }, now())
      .catch(() => undefined);
    throw thrown instanceof Cancelled ? error : thrown;
  }
}
