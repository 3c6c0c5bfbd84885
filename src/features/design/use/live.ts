/**
 * Who has a design open right now, and who must hear that it was changed: here, and in the other processes of the
 * installation, over the change feed. What is missed while a connection is away is asked for when it is back.
 */
import { AppError } from '@/platform/use/app-error';
import type { ChangeFeed, FeedEvent } from '@/platform/use/change-feed';

export interface LiveListener {
  revision(revision: number): void;
  present(count: number): void;
}

/** Windows on one design, and on all: each holds a connection. */
const MOST_OF_ONE = 100;
const MOST = 1000;
/** Milliseconds: who comes and goes is told together. */
const TOGETHER = 50;
/** Processes say again who is there, and one that says nothing for so long is gone. */
const AGAIN = 15_000;
const GONE = 40_000;

interface Elsewhere {
  readonly count: number;
  readonly at: number;
}

interface OpenDesign {
  readonly listeners: Set<LiveListener>;
  /** By process. */
  readonly elsewhere: Map<string, Elsewhere>;
  /** The newest revision that was told. */
  told: number;
}

export class LiveHub {
  private readonly open = new Map<string, OpenDesign>();
  private readonly untold = new Set<string>();
  private all = 0;
  private listening: (() => void) | null = null;
  private again: NodeJS.Timeout | null = null;

  constructor(
    private readonly feed: ChangeFeed,
    /** The name of this process among the others. */
    private readonly process: string,
    private readonly clock: () => number = Date.now,
  ) {}

  /** Returns what ends it. */
  join(design: string, listener: LiveListener): () => void {
    const here = this.open.get(design) ?? { listeners: new Set(), elsewhere: new Map(), told: 0 };
    if (here.listeners.size >= MOST_OF_ONE || this.all >= MOST) {
      throw new AppError('busy', 'This is open in so many windows that no further one is told of changes.');
    }
    this.begin();
    const isFirst = here.listeners.size === 0;
    here.listeners.add(listener);
    this.open.set(design, here);
    this.all += 1;
    if (isFirst) this.feed.tell({ what: 'who', design });
    this.tellPresent(design);
    return () => {
      if (!here.listeners.delete(listener)) return;
      this.all -= 1;
      this.tellPresent(design);
      if (here.listeners.size === 0) this.open.delete(design);
    };
  }

  /** Saved here: told at once, and by the feed to everybody else. */
  saved(design: string, revision: number): void {
    const here = this.open.get(design);
    if (!here || revision <= here.told) return;
    here.told = revision;
    for (const listener of here.listeners) listener.revision(revision);
  }

  close(): void {
    this.listening?.();
    this.listening = null;
    if (this.again) clearInterval(this.again);
    this.again = null;
  }

  private begin(): void {
    this.listening ??= this.feed.listen({
      heard: (change) => this.heard(change),
      back: () => void this.catchUp().catch(() => undefined),
    });
    if (this.again) return;
    this.again = setInterval(() => [...this.open.keys()].forEach((design) => this.announce(design)), AGAIN);
    this.again.unref?.();
  }

  private heard(change: FeedEvent): void {
    const here = this.open.get(change.design);
    if (!here) return;
    switch (change.what) {
      case 'saved':
        return this.saved(change.design, change.revision);
      case 'who':
        return this.announce(change.design);
      case 'present': {
        if (change.process === this.process) return;
        if (change.count === 0) here.elsewhere.delete(change.process);
        else here.elsewhere.set(change.process, { count: change.count, at: this.clock() });
        return this.tellHere(change.design);
      }
    }
  }

  /** Everything that is open here, as it is now. */
  private async catchUp(): Promise<void> {
    const newest = await this.feed.newest([...this.open.keys()]);
    for (const [design, revision] of newest) this.saved(design, revision);
    for (const design of this.open.keys()) this.feed.tell({ what: 'who', design });
  }

  private announce(design: string): void {
    const count = this.open.get(design)?.listeners.size ?? 0;
    this.feed.tell({ what: 'present', design, process: this.process, count });
  }

  private tellPresent(design: string): void {
    this.later(`${design}/all`, () => this.announce(design));
    this.tellHere(design);
  }

  private tellHere(design: string): void {
    this.later(design, () => {
      const here = this.open.get(design);
      if (!here) return;
      const count = here.listeners.size + this.countElsewhere(here);
      for (const listener of here.listeners) listener.present(count);
    });
  }

  private countElsewhere({ elsewhere }: OpenDesign): number {
    let count = 0;
    for (const [name, each] of elsewhere) {
      if (this.clock() - each.at > GONE) elsewhere.delete(name);
      else count += each.count;
    }
    return count;
  }

  private later(what: string, tell: () => void): void {
    if (this.untold.has(what)) return;
    this.untold.add(what);
    setTimeout(() => {
      this.untold.delete(what);
      tell();
    }, TOGETHER).unref?.();
  }
}
