/** Starts again what ended by itself: soon, then slower, and not for ever. */

/** Milliseconds before each try in a row. */
const WAITS = [200, 1000, 2000, 4000];
/** So many ends within so many milliseconds are no accident any more. */
const MOST = 20;
const WITHIN = 10 * 60_000;

type Restart = (start: () => Promise<void>, isEnding: () => boolean) => Promise<void>;

const tell = (sentence: string): void => void process.stderr.write(`${sentence}\n`);

/** A way to start `what` again; `giveUp` is called when that has become useless. */
export function supervised(what: string, giveUp: () => void, waits: readonly number[] = WAITS): Restart {
  let ends: number[] = [];
  return async (start, isEnding) => {
    for (let tries = 0; !isEnding(); tries += 1) {
      const now = Date.now();
      ends = [...ends.filter((at) => now - at < WITHIN), now];
      if (ends.length > MOST) {
        tell(
          `${what} ended ${MOST} times within ten minutes and is given up. Nothing that was saved is lost; run this again.`,
        );
        return giveUp();
      }
      tell(
        tries === 0
          ? `${what} ended unexpectedly and is started again …`
          : `${what} did not start; trying again …`,
      );
      await new Promise((resolve) => setTimeout(resolve, waits[Math.min(tries, waits.length - 1)]));
      if (isEnding()) return;
      try {
        await start();
        return tell(`${what} is back.`);
      } catch {
        // Tried again, slower.
      }
    }
  };
}
