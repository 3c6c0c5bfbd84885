/**
 * Ends an exhaustive switch: compiles only while every case is handled.
 *
 * @example
 * const reached = (tide: never) => assertNever(tide);
 * typeof reached; // => 'function'
 */
export function assertNever(value: never): never {
  throw new Error(`unhandled case: ${JSON.stringify(value)}`);
}
