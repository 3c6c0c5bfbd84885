/**
 * Rows of a long list, fetched as they come into sight: a page at a time, the newest pages kept. A row that is not there
 * yet is undefined, and whoever listens hears when it is.
 */
export class RowWindow<Row> {
  private readonly pages = new Map<number, readonly Row[]>();
  private readonly coming = new Set<number>();
  private readonly heard = new Set<() => void>();
  private version = 0;
  private isOver = false;

  constructor(
    private readonly fetchPage: (from: number, count: number) => Promise<readonly Row[]>,
    private readonly size = 100,
    private readonly most = 60,
  ) {}

  row(at: number): Row | undefined {
    const page = Math.floor(at / this.size);
    const known = this.pages.get(page);
    if (!known && !this.coming.has(page)) {
      this.coming.add(page);
      queueMicrotask(() => void this.bring(page));
    }
    return known?.[at - page * this.size];
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.heard.add(listener);
    return () => this.heard.delete(listener);
  };

  readonly snapshot = (): number => this.version;

  close(): void {
    this.isOver = true;
  }

  private async bring(page: number): Promise<void> {
    try {
      const rows = await this.fetchPage(page * this.size, this.size);
      if (this.isOver) return;
      this.pages.set(page, rows);
      const [oldest] = this.pages.keys();
      if (this.pages.size > this.most && oldest !== undefined) this.pages.delete(oldest);
      this.version += 1;
      for (const listener of this.heard) listener();
    } catch {
      // Asked again when it is looked at again.
    } finally {
      this.coming.delete(page);
    }
  }
}
