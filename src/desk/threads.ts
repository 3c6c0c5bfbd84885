/**
 * Asks a thread to work jobs off: one at a time, the team's first, few in line, each for a bounded time and in bounded
 * memory, and none that nobody waits for any more. A thread that is stuck or out of memory is ended; the next job has a
 * new one. The thread that answers requests never waits for any of it.
 */
import type { Worker } from 'node:worker_threads';
import { AppError, type AppErrorCode, type AppErrorDetail } from '@/platform/use/app-error';
import { type JobProgress } from '@/platform/use/job-ports';
import { type Asking, type Desk, type JobName, type Jobs, type Lane, LANES } from './protocol';

export interface ToThread {
  readonly turn: number;
  readonly name: JobName;
  readonly given: unknown;
}

export interface FromThread {
  readonly turn: number;
  readonly value?: unknown;
  /** Not the end yet. */
  readonly progress?: JobProgress;
  readonly refused?: {
    readonly code: AppErrorCode;
    readonly message: string;
    readonly detail: AppErrorDetail;
  };
  readonly failed?: { readonly message: string; readonly stack?: string; readonly code?: string };
}

export interface ThreadOptions {
  /** A new thread that answers each `ToThread` with a `FromThread`. */
  readonly start: () => Worker;
  /** Milliseconds that one job may take. */
  readonly patience: number;
  /** How many of a lane may wait. */
  readonly most: Readonly<Record<Lane, number>>;
  /** Milliseconds without work after which the thread is ended, with what it kept in memory. */
  readonly idle?: number;
}

const IDLE = 5 * 60_000;

interface Turn extends ToThread {
  readonly resolve: (value: never) => void;
  readonly reject: (error: Error) => void;
  readonly stopListening: () => void;
  readonly tell?: (progress: JobProgress) => void;
}

const gone = (): AppError => new AppError('gone', 'Nobody waits for this any more.');
const TOO_LARGE = 'This is too large to be worked out here in the time and memory there is.';

export class ThreadDesk implements Desk {
  private readonly waiting: Record<Lane, Turn[]> = { team: [], stranger: [], background: [] };
  private worker: Worker | null = null;
  private running: Turn | null = null;
  private timer: NodeJS.Timeout | undefined;
  private turns = 0;

  constructor(private readonly options: ThreadOptions) {}

  ask<N extends JobName>(
    name: N,
    given: Jobs[N]['given'],
    { signal, lane = 'team', tell }: Asking = {},
  ): Promise<Jobs[N]['answer']> {
    const line = this.waiting[lane];
    if (line.length >= this.options.most[lane]) {
      return Promise.reject(new AppError('busy', 'Many are being worked on already. Try again in a moment.'));
    }
    if (signal?.aborted) return Promise.reject(gone());
    return new Promise((resolve, reject) => {
      const leave = (): void => this.left(turn, line);
      const turn: Turn = {
        turn: (this.turns += 1),
        name,
        given,
        tell,
        resolve: resolve as Turn['resolve'],
        reject,
        stopListening: () => signal?.removeEventListener('abort', leave),
      };
      signal?.addEventListener('abort', leave, { once: true });
      line.push(turn);
      this.next();
    });
  }

  private left(turn: Turn, line: Turn[]): void {
    if (this.running === turn) return this.giveUp(gone());
    const at = line.indexOf(turn);
    if (at >= 0) line.splice(at, 1);
    turn.reject(gone());
  }

  private next(): void {
    if (this.running) return;
    clearTimeout(this.timer);
    const turn = LANES.map((lane) => this.waiting[lane])
      .find((line) => line.length > 0)
      ?.shift();
    if (!turn) return this.rest();
    this.running = turn;
    try {
      this.worker ??= this.started();
      this.worker.postMessage({ turn: turn.turn, name: turn.name, given: turn.given } satisfies ToThread);
      this.timer = setTimeout(() => this.giveUp(new AppError('too-large', TOO_LARGE)), this.options.patience);
    } catch (error) {
      this.end((ended) => ended.reject(error as Error));
    }
  }

  private rest(): void {
    if (!this.worker) return;
    this.timer = setTimeout(
      () => this.giveUp(new Error('It was at rest.')),
      this.options.idle ?? IDLE,
    ).unref();
  }

  private started(): Worker {
    const worker = this.options.start();
    // An application that ends does not wait for it.
    worker.unref();
    worker.on('message', (answer: FromThread) => this.answered(answer));
    worker.on('error', (error: Error & { code?: string }) => {
      if (this.worker !== worker) return;
      const isFull = error.code === 'ERR_WORKER_OUT_OF_MEMORY';
      this.giveUp(isFull ? new AppError('too-large', TOO_LARGE) : error);
    });
    worker.on('exit', () => {
      if (this.worker === worker) this.giveUp(new Error('The thread ended by itself.'));
    });
    return worker;
  }

  private answered({ turn, value, progress, refused, failed }: FromThread): void {
    if (this.running?.turn !== turn) return;
    if (progress) return this.running.tell?.(progress);
    this.end((ended) => {
      if (refused) ended.reject(new AppError(refused.code, refused.message, refused.detail));
      else if (failed) ended.reject(Object.assign(new Error(failed.message), failed));
      else ended.resolve(value as never);
    });
  }

  /** Ends the thread, and with it what it was doing. */
  private giveUp(error: Error): void {
    const { worker } = this;
    this.worker = null;
    void worker?.terminate();
    this.end((ended) => ended.reject(error));
  }

  private end(settle: (turn: Turn) => void): void {
    const { running } = this;
    clearTimeout(this.timer);
    this.running = null;
    if (running) {
      running.stopListening();
      settle(running);
    }
    this.next();
  }
}

/** Files take seconds and have a thread of their own, so that pages and totals do not wait for them. */
export function deskOf(pages: Desk, files: Desk): Desk {
  return {
    ask: (name, given, asking) => (FILES.includes(name) ? files : pages).ask(name, given, asking),
  };
}

const FILES: readonly JobName[] = [
  'report-file',
  'fleet-file',
  'study-file',
  'linked-file',
  'linked-study-file',
];
