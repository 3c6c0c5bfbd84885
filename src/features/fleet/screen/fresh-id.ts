/** An id that no other of the list has: `g1`, `g2` … */
export function freshId(stem: string, others: readonly { readonly id: string }[]): string {
  const taken = new Set(others.map(({ id }) => id));
  let at = others.length + 1;
  while (taken.has(`${stem}${at}`)) at += 1;
  return `${stem}${at}`;
}
