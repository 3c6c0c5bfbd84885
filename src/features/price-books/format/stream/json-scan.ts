/** Finds where one JSON value ends, and where a path leads inside one, without building anything. */
const DEEPEST = 16;
const QUOTE = 34;
const BACKSLASH = 92;

/** The index just behind the value that begins at `from`; -1: the text ends before it does; -2: nested too deep. */
export function endOfValue(text: string, from: number): number {
  const first = text.charCodeAt(from);
  if (first === QUOTE) return endOfString(text, from);
  if (first !== 123 && first !== 91) return endOfWord(text, from);
  let depth = 0;
  for (let at = from; at < text.length; at += 1) {
    const character = text.charCodeAt(at);
    if (character === QUOTE) {
      at = endOfString(text, at) - 1;
      if (at < 0) return -1;
    } else if (character === 123 || character === 91) {
      depth += 1;
      if (depth > DEEPEST) return -2;
    } else if (character === 125 || character === 93) {
      depth -= 1;
      if (depth === 0) return at + 1;
    }
  }
  return -1;
}

function endOfString(text: string, from: number): number {
  let at = from;
  for (;;) {
    at = text.indexOf('"', at + 1);
    if (at < 0) return -1;
    let slashes = 0;
    while (text.charCodeAt(at - 1 - slashes) === BACKSLASH) slashes += 1;
    if (slashes % 2 === 0) return at + 1;
  }
}

/** Numbers, true, false, null: they end at a comma, a bracket or white space. */
function endOfWord(text: string, from: number): number {
  for (let at = from; at < text.length; at += 1) {
    const character = text.charCodeAt(at);
    if (character === 44 || character === 125 || character === 93 || isSpace(character)) return at;
  }
  return -1;
}

export function isSpace(character: number): boolean {
  return character === 32 || character === 10 || character === 13 || character === 9;
}

export function skipSpace(text: string, from: number): number {
  let at = from;
  while (at < text.length && isSpace(text.charCodeAt(at))) at += 1;
  return at;
}

/** Where the value at a path ("charge.tiers[1].upTo") begins in valid JSON; as deep as the path can be followed. */
export function locate(text: string, path: string): number {
  let at = skipSpace(text, 0);
  for (const step of path.match(/[^.[\]]+/g) ?? []) {
    const next = text.charCodeAt(at) === 91 ? elementAt(text, at, Number(step)) : memberAt(text, at, step);
    if (next < 0) return at;
    at = next;
  }
  return at;
}

function elementAt(text: string, list: number, index: number): number {
  let at = skipSpace(text, list + 1);
  for (let passed = 0; text.charCodeAt(at) !== 93 && at < text.length; passed += 1) {
    if (passed === index) return at;
    at = skipSpace(text, endOfValue(text, at));
    if (text.charCodeAt(at) === 44) at = skipSpace(text, at + 1);
  }
  return -1;
}

function memberAt(text: string, object: number, name: string): number {
  if (text.charCodeAt(object) !== 123) return -1;
  let at = skipSpace(text, object + 1);
  while (text.charCodeAt(at) === QUOTE) {
    const end = endOfString(text, at);
    const key = JSON.parse(text.slice(at, end)) as string;
    const value = skipSpace(text, skipSpace(text, end) + 1);
    if (key === name) return value;
    at = skipSpace(text, endOfValue(text, value));
    if (text.charCodeAt(at) === 44) at = skipSpace(text, at + 1);
  }
  return -1;
}
