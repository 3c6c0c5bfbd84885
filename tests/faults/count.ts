/** What became of everything that was tried. */
export interface Counts {
  tried: number;
  refused: number;
  taken: number;
  /** What should not have happened, each with what repeats it. */
  readonly bad: string[];
}

export const noCounts = (): Counts => ({ tried: 0, refused: 0, taken: 0, bad: [] });

/** Runs `work`; anything thrown, and anything that takes longer than `most` milliseconds, is bad. */
export async function within<T>(
  counts: Counts,
  what: string,
  most: number,
  work: () => T | Promise<T>,
): Promise<T | null> {
  const started = performance.now();
  try {
    const result = await work();
    const took = performance.now() - started;
    if (took > most) counts.bad.push(`${what}: took ${Math.round(took)} ms`);
    return result;
  } catch (error) {
    counts.bad.push(
      `${what}: ${error instanceof Error ? (error.stack ?? error.message).slice(0, 600) : String(error)}`,
    );
    return null;
  }
}
