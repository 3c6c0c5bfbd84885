/**
 * The page's side of its pricing workers: one promise a question. One worker answers what a keystroke waits for; a second
 * one, started when it is first needed, takes the heavy questions, so that months, checklist and forms hold up nothing.
 * Each works on one question at a time; what waits can still be withdrawn. Closing rejects whatever is open.
 */
import type { Design } from '@/engine/design';
import { newsOf } from './news';
import type { Answers, Question, Reply, Request } from './protocol';

type AnswerTo<Q extends Question> = Answers[Q['ask']];

/** Heavy questions, those that wait last behind the others. */
const HEAVY: readonly Question['ask'][] = [
  'alternative',
  'axis',
  'bare-rates',
  'without-free',
  'mixed',
  'compare',
  'curve',
  'load-map',
  'ready',
  'fame',
  'sold-ahead',
  'usage-plan',
  'spend-plan',
  'steps-plan',
  'both-plan',
  'credit-plan',
  'credit-change',
  'range',
  'swings',
  'effects',
  'budget',
  'months',
  'compare-cash',
  'cash',
  'newer',
  'forms',
  'checks',
];

export class WithdrawnError extends Error {
  constructor() {
    super('The question was withdrawn.');
    this.name = 'WithdrawnError';
  }
}

export class PricingClient {
  private readonly quick: Lane;
  private heavy: Lane | null = null;

  constructor(private readonly start: () => Worker) {
    this.quick = new Lane(start());
  }

  /** `signal` withdraws the question; it is rejected with `WithdrawnError` then. */
  ask<Q extends Question>(question: Q, signal?: AbortSignal): Promise<AnswerTo<Q>> {
    const lane = HEAVY.includes(question.ask) ? (this.heavy ??= new Lane(this.start())) : this.quick;
    return lane.ask(question, signal) as Promise<AnswerTo<Q>>;
  }

  close(): void {
    this.quick.close();
    this.heavy?.close();
  }
}

interface Asker {
  readonly question: Question;
  readonly resolve: (answer: never) => void;
  readonly reject: (error: Error) => void;
}

class Lane {
  private next = 1;
  private readonly waiting: Asker[] = [];
  private asked: (Asker & { readonly id: number }) | null = null;
  /** The design that the worker was told of last. */
  private told: Design | null = null;
  private ended: Error | null = null;

  constructor(private readonly worker: Worker) {
    worker.onmessage = (event: MessageEvent<Reply>) => this.receive(event.data);
    worker.onerror = () => this.end('The pricing worker could not start. Reload the page.');
  }

  ask(question: Question, signal?: AbortSignal): Promise<unknown> {
    return new Promise((resolve, reject) => {
      if (signal?.aborted) return reject(new WithdrawnError());
      if (this.ended) return reject(this.ended);
      const asker: Asker = { question, resolve, reject };
      signal?.addEventListener('abort', () => this.withdraw(asker), { once: true });
      const last = HEAVY.indexOf(question.ask);
      const before = this.waiting.findIndex((each) => HEAVY.indexOf(each.question.ask) > last);
      this.waiting.splice(before < 0 ? this.waiting.length : before, 0, asker);
      this.post();
    });
  }

  close(): void {
    this.worker.terminate();
    this.end('The page was left.');
  }

  /** One that is being answered is answered to nobody. */
  private withdraw(asker: Asker): void {
    const at = this.waiting.indexOf(asker);
    if (at >= 0) this.waiting.splice(at, 1);
    asker.reject(new WithdrawnError());
  }

  private post(): void {
    if (this.asked) return;
    const asker = this.waiting.shift();
    if (!asker) return;
    const id = this.next;
    this.next += 1;
    this.asked = { ...asker, id };
    const { design, ...question } = asker.question;
    const request = { id, news: newsOf(this.told, design), ...question } as Request;
    this.told = design;
    this.worker.postMessage(request);
  }

  private receive(reply: Reply): void {
    const { asked } = this;
    if (asked?.id !== reply.id) return;
    this.asked = null;
    // Whatever it did not take, it is told the whole of next time.
    if (!reply.ok) this.told = null;
    if (reply.ok) asked.resolve(reply.answer as never);
    else asked.reject(new Error(reply.message));
    this.post();
  }

  private end(message: string): void {
    this.ended = new Error(message);
    const open = [...(this.asked ? [this.asked] : []), ...this.waiting.splice(0)];
    this.asked = null;
    for (const { reject } of open) reject(this.ended);
  }
}

const spawn = (): Worker => new Worker(new URL('./pricing.worker.ts', import.meta.url), { type: 'module' });

let warm: Worker | null = null;

/** Begins to load a worker while the page's code is still being read; the first client takes it. */
export function warmPricing(): void {
  if (typeof Worker !== 'undefined') warm ??= spawn();
}

export function startPricing(): PricingClient {
  return new PricingClient(() => {
    const ready = warm ?? spawn();
    warm = null;
    return ready;
  });
}
