/** The page's side of the pricing worker: one promise a question; a newer price question makes older ones moot. */
import type { Answers, Question, Reply } from './protocol';

type AnswerTo<Q extends Question> = Answers[Q['ask']];

export class PricingClient {
  private next = 1;
  private readonly waiting = new Map<
    number,
    { resolve: (answer: never) => void; reject: (error: Error) => void }
  >();

  constructor(private readonly worker: Worker) {
    worker.onmessage = (event: MessageEvent<Reply>) => this.receive(event.data);
    worker.onerror = () => this.failAll('The pricing worker could not start. Reload the page.');
  }

  ask<Q extends Question>(question: Q): Promise<AnswerTo<Q>> {
    const id = this.next;
    this.next += 1;
    return new Promise((resolve, reject) => {
      this.waiting.set(id, { resolve, reject });
      this.worker.postMessage({ id, ...question });
    });
  }

  close(): void {
    this.worker.terminate();
    this.waiting.clear();
  }

  private receive(reply: Reply): void {
    const asker = this.waiting.get(reply.id);
    if (!asker) return;
    this.waiting.delete(reply.id);
    if (reply.ok) asker.resolve(reply.answer as never);
    else asker.reject(new Error(reply.message));
  }

  private failAll(message: string): void {
    for (const asker of this.waiting.values()) asker.reject(new Error(message));
    this.waiting.clear();
  }
}

export function startPricingWorker(): PricingClient {
  return new PricingClient(new Worker(new URL('./pricing.worker.ts', import.meta.url), { type: 'module' }));
}
