/**
 * Expected failures are data, not exceptions. A function that can be refused returns a `Result`; exceptions mean
 * that the program itself is wrong.
 */
import type { Issue } from './issue';

export type Result<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly issue: Issue };

/**
 * @example
 * ok(3); // => { ok: true, value: 3 }
 */
export function ok<T>(value: T): Result<T> {
  return { ok: true, value };
}

/**
 * @example
 * err(issue('size.missing')).ok; // => false
 */
export function err<T = never>(failure: Issue): Result<T> {
  return { ok: false, issue: failure };
}

/**
 * Takes the value out of a result that cannot fail here; throws with the code if it did.
 *
 * @example
 * must(ok(3)); // => 3
 */
export function must<T>(result: Result<T>): T {
  if (result.ok) return result.value;
  throw new Error(
    `${result.issue.code} at ${result.issue.path.join('.')} ${JSON.stringify(result.issue.values)}`,
  );
}
