/** Reads JSON from anyone, bounded in size and depth before it is parsed. */
import { cut } from '@/engine/base';
import { type Checked, refused } from './faults';
import { repeatedKey } from './repeated-key';

const DEEPEST = 16;

export interface JsonBounds {
  readonly mostBytes: number;
}

export function readBoundedJson(text: string, bounds: JsonBounds): Checked<unknown> {
  if (text.length > bounds.mostBytes) {
    const limit = Math.floor(bounds.mostBytes / 1_000_000);
    return refused([
      { path: '', message: `The file is larger than ${limit} MB, which is the most that is read.` },
    ]);
  }
  if (depthOf(text) > DEEPEST) {
    return refused([{ path: '', message: `The file is nested more than ${DEEPEST} levels deep.` }]);
  }
  let value: unknown;
  try {
    value = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (error) {
    const where = error instanceof Error ? error.message : '';
    return refused([{ path: '', message: `The file is not valid JSON: ${cut(where, 200)}` }]);
  }
  const twice = repeatedKey(text, value);
  if (!twice) return { ok: true, value };
  const before = text.slice(0, twice.at).split('\n');
  const place = { line: before.length, column: before[before.length - 1]!.length + 1 };
  const message = `“${cut(twice.key, 80)}” stands twice in one object; remove one of the two.`;
  return refused([{ path: cut(twice.key, 80), message, ...place }]);
}

/** Deepest nesting of brackets outside strings; stops counting once it is too deep. */
function depthOf(text: string): number {
  let depth = 0;
  let deepest = 0;
  let inString = false;
  for (let index = 0; index < text.length && deepest <= DEEPEST; index += 1) {
    const character = text.charCodeAt(index);
    if (inString) {
      if (character === 92) index += 1;
      else if (character === 34) inString = false;
    } else if (character === 34) inString = true;
    else if (character === 123 || character === 91) deepest = Math.max(deepest, (depth += 1));
    else if (character === 125 || character === 93) depth -= 1;
  }
  return deepest;
}
