/**
 * Work that follows many small acts on one thing, and needs doing once: begun when nothing more has come for a while, or
 * after a longest wait. What is not done when the process ends must be done by whoever needs it.
 */
export class WhenQuiet {
  private readonly waiting = new Map<string, { readonly since: number; readonly timer: NodeJS.Timeout }>();

  /** Times are milliseconds. `work` answers for its own failures. */
  constructor(
    private readonly work: (id: string) => unknown,
    private readonly quiet = 2000,
    private readonly longest = 20_000,
  ) {}

  note(id: string): void {
    const before = this.waiting.get(id);
    if (before) clearTimeout(before.timer);
    const now = Date.now();
    const since = before?.since ?? now;
    const wait = Math.max(0, Math.min(this.quiet, since + this.longest - now));
    const timer = setTimeout(() => {
      this.waiting.delete(id);
      this.work(id);
    }, wait);
    timer.unref();
    this.waiting.set(id, { since, timer });
  }
}
