/** For pages: what is not there is the page that says so; what cannot be done now is said; anything else is a fault. */
import 'server-only';
import { notFound } from 'next/navigation';
import { type AppErrorCode, asAppError } from '@/platform/use/app-error';

export async function orNotFound<T>(work: Promise<T>): Promise<T> {
  try {
    return await work;
  } catch (thrown) {
    if (asAppError(thrown).code === 'not-found') notFound();
    throw thrown;
  }
}

const TOLD: ReadonlySet<AppErrorCode> = new Set(['busy', 'too-large', 'unavailable', 'no-room']);

/** Also gives back, as a sentence, why it is not shown now. */
export async function orSentence<T extends object | null>(work: Promise<T>): Promise<T | string> {
  try {
    return await orNotFound(work);
  } catch (thrown) {
    const { code, message } = asAppError(thrown);
    if (TOLD.has(code)) return message;
    throw thrown;
  }
}
