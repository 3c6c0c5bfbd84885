/**
 * The same key twice in one object of a JSON text: parsers quietly keep the last, and what the first said is lost. Counting
 * the keys is nearly free; only where the count does not fit is the text walked through.
 */

/** The first key that stands twice in one object; null: none. `value` is what the (valid) text was parsed to. */
export function repeatedKey(
  text: string,
  value: unknown,
): { readonly key: string; readonly at: number } | null {
  return keysIn(value) === colonsAfterText(text) ? null : walk(text);
}

function keysIn(value: unknown): number {
  if (value === null || typeof value !== 'object') return 0;
  let keys = 0;
  if (Array.isArray(value)) {
    for (const each of value) keys += keysIn(each);
    return keys;
  }
  // Parsed just now, so every field is its own.
  for (const key in value) {
    const field = (value as Readonly<Record<string, unknown>>)[key];
    keys += field !== null && typeof field === 'object' ? 1 + keysIn(field) : 1;
  }
  return keys;
}

/** Colons that follow a closing quotation mark: one for each key, and more where texts hold such a pair. */
function colonsAfterText(text: string): number {
  let found = 0;
  for (let at = text.indexOf(':'); at >= 0; at = text.indexOf(':', at + 1)) {
    let before = at - 1;
    while (before >= 0 && text.charCodeAt(before) <= 32) before -= 1;
    if (text.charCodeAt(before) === 34) found += 1;
  }
  return found;
}

function walk(text: string): { key: string; at: number } | null {
  const open: (Set<string> | null)[] = [];
  for (let at = 0; at < text.length; at += 1) {
    const character = text[at];
    if (character === '{') open.push(new Set());
    else if (character === '[') open.push(null);
    else if (character === '}' || character === ']') open.pop();
    else if (character === '"') {
      const end = endOfText(text, at);
      const keys = open[open.length - 1];
      if (keys && /^\s*:/.test(text.slice(end + 1, end + 40))) {
        const key = JSON.parse(text.slice(at, end + 1)) as string;
        if (keys.has(key)) return { key, at };
        keys.add(key);
      }
      at = end;
    }
  }
  return null;
}

function endOfText(text: string, from: number): number {
  let at = from + 1;
  while (at < text.length && text[at] !== '"') at += text[at] === '\\' ? 2 : 1;
  return at;
}
