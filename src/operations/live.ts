/**
 * Who has a design open right now, and who must hear that it was changed. Within one process: what is missed while a
 * connection is away is asked for when it is back.
 */
import { AppError } from './app-error';

export interface LiveListener {
  revision(revision: number): void;
  present(count: number): void;
}

/** Windows on one design, and on all: each holds a connection. */
const MOST_OF_ONE = 100;
const MOST = 1000;
/** Milliseconds: who comes and goes is told together. */
const TOGETHER = 50;

export class LiveHub {
  private readonly open = new Map<string, Set<LiveListener>>();
  private readonly untold = new Set<string>();
  private all = 0;

  /** Returns what ends it. */
  join(design: string, listener: LiveListener): () => void {
    const all = this.open.get(design) ?? new Set();
    if (all.size >= MOST_OF_ONE || this.all >= MOST) {
      throw new AppError('busy', 'This is open in so many windows that no further one is told of changes.');
    }
    this.open.set(design, all.add(listener));
    this.all += 1;
    this.tellPresent(design);
    return () => {
      if (!all.delete(listener)) return;
      this.all -= 1;
      if (all.size === 0) this.open.delete(design);
      this.tellPresent(design);
    };
  }

  saved(design: string, revision: number): void {
    for (const listener of this.open.get(design) ?? []) listener.revision(revision);
  }

  private tellPresent(design: string): void {
    if (this.untold.has(design)) return;
    this.untold.add(design);
    const tell = (): void => {
      this.untold.delete(design);
      const all = this.open.get(design) ?? new Set();
      for (const listener of all) listener.present(all.size);
    };
    setTimeout(tell, TOGETHER).unref?.();
  }
}
