/** Whether two parts of a design say the same, whatever order their fields come in: the database keeps its own. */

/**
 * @example
 * isSame({ a: 1, b: [2] }, { b: [2], a: 1 }); // => true
 */
export function isSame(a: unknown, b: unknown): boolean {
  return canonical(a) === canonical(b);
}

function canonical(value: unknown): string {
  return JSON.stringify(value, (_, each: unknown) =>
    each && typeof each === 'object' && !Array.isArray(each)
      ? Object.fromEntries(Object.entries(each).sort(([a], [b]) => (a < b ? -1 : 1)))
      : each,
  );
}
