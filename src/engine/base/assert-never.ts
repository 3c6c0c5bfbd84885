/**
 * Ends an exhaustive switch: compiles only while every case is handled.
 *
 * @example
 * let said = '';
 * try { assertNever('tide' as never); } catch (error) { said = (error as Error).message; }
 * said; // => 'unhandled case: "tide"'
 */
export function assertNever(value: never): never {
  throw new Error(`unhandled case: ${JSON.stringify(value)}`);
}
