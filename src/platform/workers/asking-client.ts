/** The page's side of a worker that is asked: one promise a question, progress while it lasts, called off by a signal. */

export interface WorkProgress {
  readonly done: number;
  readonly steps: number;
  readonly words: string;
}

/** Whether its number, or that the one of that number is called off. */
export type AskedOf<Question> =
  { readonly id: number; readonly question: Question } | { readonly cancel: number };

export type ReplyOf<Answer> =
  | { readonly id: number; readonly progress: WorkProgress }
  | { readonly id: number; readonly ok: true; readonly answer: Answer }
  | { readonly id: number; readonly ok: false; readonly message: string };

interface Asker {
  readonly resolve: (answer: never) => void;
  readonly reject: (error: Error) => void;
  readonly told?: (progress: WorkProgress) => void;
}

export interface AskingHow {
  readonly signal?: AbortSignal;
  readonly told?: (progress: WorkProgress) => void;
}

export class CalledOffError extends Error {
  override readonly name = 'CalledOffError';
  constructor() {
    super('It was called off.');
  }
}

export class AskingClient<Question extends { readonly ask: keyof Answers }, Answers> {
  private next = 1;
  private readonly open = new Map<number, Asker>();
  private ended: Error | null = null;

  constructor(
    private readonly worker: Worker,
    what: string,
  ) {
    worker.onmessage = (event: MessageEvent<ReplyOf<unknown>>) => this.receive(event.data);
    worker.onerror = () => this.end(`The worker for ${what} could not start. Reload the page.`);
  }

  ask<Q extends Question>(question: Q, { signal, told }: AskingHow = {}): Promise<Answers[Q['ask']]> {
    return new Promise((resolve, reject) => {
      if (signal?.aborted) return reject(new CalledOffError());
      if (this.ended) return reject(this.ended);
      const id = this.next;
      this.next += 1;
      this.open.set(id, { resolve: resolve as Asker['resolve'], reject, ...(told ? { told } : {}) });
      signal?.addEventListener('abort', () => this.callOff(id), { once: true });
      this.worker.postMessage({ id, question } satisfies AskedOf<Question>);
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
    this.worker.postMessage({ cancel: id } satisfies AskedOf<Question>);
    asker.reject(new CalledOffError());
  }

  private receive(reply: ReplyOf<unknown>): void {
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
