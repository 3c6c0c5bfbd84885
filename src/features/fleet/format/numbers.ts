/** Numbers as people and programs of any language write them. Needs M1. */

export type Marks = 'point' | 'comma';

const SPACES = /[\s\u00a0\u202f'’]/g;

/**
 * Which sign stands before the decimals of a column: where one stands as it can only stand there. Null: nothing tells.
 * `1.234` alone may be either; `1.234,5` and `0,5` may not.
 */
export function marksOf(samples: readonly string[]): Marks | null {
  for (const sample of samples) {
    const text = sample.replace(SPACES, '').replace(/[^\d.,]/g, '');
    const [comma, point] = [text.lastIndexOf(','), text.lastIndexOf('.')];
    if (comma >= 0 && point >= 0) return comma > point ? 'comma' : 'point';
    const [sign, at] = comma >= 0 ? (['comma', comma] as const) : (['point', point] as const);
    if (at < 0) continue;
    const once = text.indexOf(sign === 'comma' ? ',' : '.') === at;
    // Three digits after a sign may be a group; anything else is decimals; a sign that stands twice groups.
    if (!once) return sign === 'comma' ? 'point' : 'comma';
    if (text.length - at - 1 !== 3 || /^0[.,]/.test(text)) return sign;
  }
  return null;
}

/** Null: it is no number of nothing or more. */
export function readNumber(text: string, marks: Marks): number | null {
  // Most are nothing but digits.
  if (/^\d{1,15}$/.test(text) || (marks === 'point' && /^\d{1,12}\.\d{1,12}$/.test(text)))
    return Number(text);
  const plain = text
    .replace(SPACES, '')
    .replace(/%$/, '')
    .replace(/\u2212/g, '-');
  const ours = marks === 'comma' ? plain.replaceAll('.', '').replace(',', '.') : plain.replaceAll(',', '');
  if (!/^\d+(\.\d+)?([eE][+-]?\d{1,2})?$/.test(ours)) return null;
  const value = Number(ours);
  return Number.isFinite(value) ? value : null;
}

/** What inventories write where nothing is known. */
export function isMissing(text: string): boolean {
  return /^(|-|–|n\/?a|null|none|unknown|#n\/a|nan|\?)$/i.test(text.trim());
}
