/** Whether two lists hold the very same objects in the same order: what was worked out from one holds for the other. */
export function same(a: readonly unknown[], b: readonly unknown[]): boolean {
  if (a.length !== b.length) return false;
  for (let at = 0; at < a.length; at += 1) if (a[at] !== b[at]) return false;
  return true;
}
