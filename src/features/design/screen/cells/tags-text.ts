/** Tags as one writes them: "team = booking, stage = live". */
import { err, issue, ok, type Result } from '@/engine/base';

export type Tags = Readonly<Record<string, string>>;

const MOST = 50;

/** Null: none. A key alone is a tag without a value. Refused: no key, the same key twice, too many or too long. */
export function readTags(text: string): Result<Tags | null> {
  const refused = (reason: string): Result<never> => err(issue('edit.invalid', [], { reason }));
  const parts = text
    .split(/[,\n;]/)
    .map((part) => part.trim())
    .filter(Boolean);
  if (parts.length > MOST) return refused(`a line has at most ${MOST} tags.`);
  const tags = new Map<string, string>();
  for (const part of parts) {
    const [key = '', ...rest] = part.split('=').map((each) => each.trim());
    const value = rest.join('=');
    if (!key) return refused('a tag is written key = value.');
    if (key.length > 200 || value.length > 256) return refused('a tag is shorter than that.');
    if (tags.has(key)) return refused(`“${key}” stands twice.`);
    tags.set(key, value);
  }
  return ok(tags.size === 0 ? null : Object.fromEntries(tags));
}
