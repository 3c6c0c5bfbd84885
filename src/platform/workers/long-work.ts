/** Long work of a worker: step by step, so that it tells how far it is and hears who calls it off. */
export interface LongWork {
  readonly told: (done: number, steps: number, words: string) => void;
  readonly isCalledOff: () => boolean;
}

/** Milliseconds between two looks up. */
const BREATH = 60;

/** Lets other messages in. */
const breathe = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 0));

export class CalledOff extends Error {
  override readonly name = 'CalledOff';
}

export async function pause(work: LongWork): Promise<void> {
  await breathe();
  if (work.isCalledOff()) throw new CalledOff('It was called off.');
}

/** Runs a generator to its end; `tell` says how far a step of it is. */
export async function driven<S, T>(
  steps: Generator<S, T>,
  work: LongWork,
  tell: (step: S) => readonly [done: number, steps: number, words: string],
): Promise<T> {
  let last = performance.now();
  let step = steps.next();
  while (!step.done) {
    if (performance.now() - last > BREATH) {
      work.told(...tell(step.value));
      await pause(work);
      last = performance.now();
    }
    step = steps.next();
  }
  return step.value;
}
