/**
 * Who has a design open right now, and who must hear that it was changed. Within one process: what is missed while a
 * connection is away is asked for when it is back.
 */
export interface LiveListener {
  revision(revision: number): void;
  present(count: number): void;
}

export class LiveHub {
  private readonly open = new Map<string, Set<LiveListener>>();

  /** Returns what ends it. */
  join(design: string, listener: LiveListener): () => void {
    const all = this.open.get(design) ?? new Set();
    this.open.set(design, all.add(listener));
    this.tellPresent(design);
    return () => {
      all.delete(listener);
      if (all.size === 0) this.open.delete(design);
      this.tellPresent(design);
    };
  }

  saved(design: string, revision: number): void {
    for (const listener of this.open.get(design) ?? []) listener.revision(revision);
  }

  private tellPresent(design: string): void {
    const all = this.open.get(design) ?? new Set();
    for (const listener of all) listener.present(all.size);
  }
}
