/** Waits for a report for a moment only: a page that would keep somebody waiting is shown without it, and looks again. */
import 'server-only';

// Pages are bundled apart; what is under way is known to all of them.
const underWay = ((globalThis as { wickReports?: Map<string, Promise<unknown>> }).wickReports ??= new Map());

/** Milliseconds. */
const PATIENCE = 1200;

/** Null: not yet. Whoever asks for the same `key` again waits for the same work; it goes on meanwhile. */
export async function inTime<T>(
  key: string,
  begin: () => Promise<T>,
  patience = PATIENCE,
): Promise<T | null> {
  const known = underWay.get(key) as Promise<T> | undefined;
  const work = known ?? begin();
  if (!known) {
    underWay.set(key, work);
    work.catch(() => undefined).finally(() => underWay.delete(key));
  }
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<null>((resolve) => (timer = setTimeout(() => resolve(null), patience)));
  try {
    return await Promise.race([work, late]);
  } finally {
    clearTimeout(timer);
  }
}
