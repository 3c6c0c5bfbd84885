/** A thread that works jobs off, one at a time, on connections of its own. Bundled by `scripts/lib/desk.ts`. */
import { randomUUID } from 'node:crypto';
import { parentPort } from 'node:worker_threads';
import { connect } from '@/platform/data/connect';
import { repositories } from '@/stores/repositories';
import { AppError } from '@/platform/use/app-error';
import { type JobProgress } from '@/platform/use/job-ports';
import { workersOn } from './jobs';
import type { JobName } from './protocol';
import type { FromThread, ToThread } from './threads';

const url = process.env.DATABASE_URL;
if (!url || !parentPort) throw new Error('A desk is a thread of the application, which has a database.');
const port = parentPort;
const workers = workersOn({ ...repositories(connect(url)), now: () => new Date(), newId: randomUUID });

port.on('message', ({ turn, name, given }: ToThread) => {
  const tell = (progress: JobProgress): void => port.postMessage({ turn, progress } satisfies FromThread);
  work(name, given, tell).then(
    (value) => port.postMessage({ turn, value } satisfies FromThread),
    (thrown: unknown) => port.postMessage({ turn, ...failureOf(thrown) } satisfies FromThread),
  );
});

type Tell = (progress: JobProgress) => void;

async function work(name: JobName, given: unknown, tell: Tell): Promise<unknown> {
  return (workers[name] as (given: unknown, tell: Tell) => Promise<unknown>)(given, tell);
}

function failureOf(thrown: unknown): Pick<FromThread, 'refused' | 'failed'> {
  if (thrown instanceof AppError) {
    return { refused: { code: thrown.code, message: thrown.message, detail: thrown.detail } };
  }
  const { message, stack, code } = thrown as Error & { code?: unknown };
  return { failed: { message, stack, code: code === undefined ? undefined : String(code) } };
}
