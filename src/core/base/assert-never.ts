/** Ends an exhaustive switch: compiles only while every case is handled. */
export function assertNever(value: never): never {
  throw new Error(`unhandled case: ${JSON.stringify(value)}`);
}
