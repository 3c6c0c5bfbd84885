/** The page's side of its fleet worker: one promise a question, progress while it lasts, called off by a signal. */
import type { FleetAnswers, FleetProgress, FleetQuestion, FleetReply } from './fleet-protocol';

interface Asker {
  readonly resolve: (answer: never) => void;
  readonly reject: (error: Error) => void;
  readonly told?: (progress: FleetProgress) => void;
}

export interface FleetAsking {
  readonly signal?: AbortSignal;
  readonly told?: (progress: FleetProgress) => void;
}

export class CalledOffError extends Error {
  override readonly name = 'CalledOffError';
  constructor() {
    super('It was called off.');
  }
}

export class FleetClient {
  private next = 1;
  private readonly open = new Map<number, Asker>();
  private ended: Error | null = null;

  constructor(private readonly worker: Worker) {
    worker.onmessage = (event: MessageEvent<FleetReply>) => this.receive(event.data);
    worker.onerror = () => this.end('The worker for fleets could not start. Reload the page.');
  }

  ask<Q extends FleetQuestion>(
    question: Q,
    { signal, told }: FleetAsking = {},
  ): Promise<FleetAnswers[Q['ask']]> {
    return new Promise((resolve, reject) => {
      if (signal?.aborted) return reject(new CalledOffError());
      if (this.ended) return reject(this.ended);
      const id = this.next;
      this.next += 1;
      this.open.set(id, { resolve, reject, ...(told ? { told } : {}) });
      signal?.addEventListener('abort', () => this.callOff(id), { once: true });
      this.worker.postMessage({ id, question });
    });
  }

  close(): void {
    this.worker.terminate();
    this.end('The page was left.');
  }

  private callOff(id: number): void {
    const asker = this.open.get(id);
    if (!asker) return;
    this.open.delete(id);
    this.worker.postMessage({ cancel: id });
    asker.reject(new CalledOffError());
  }

  private receive(reply: FleetReply): void {
    const asker = this.open.get(reply.id);
    if (!asker) return;
    if ('progress' in reply) return asker.told?.(reply.progress);
    this.open.delete(reply.id);
    if (reply.ok) asker.resolve(reply.answer as never);
    else asker.reject(new Error(reply.message));
  }

  private end(message: string): void {
    this.ended = new Error(message);
    const open = [...this.open.values()];
    this.open.clear();
    for (const { reject } of open) reject(this.ended);
  }
}

export function startFleetWorker(): FleetClient {
  return new FleetClient(new Worker(new URL('./fleet.worker.ts', import.meta.url), { type: 'module' }));
}
