/** What a question reaches, as addresses write it: `all`, `section ID` or `line ID`. */
import type { Scope } from '@/engine/design';

/** Null: it is written otherwise. An id of something that is gone reaches nothing. */
export function readScope(text: string): Scope | null {
  const [what, ...rest] = text.split(' ');
  const id = rest.join(' ').slice(0, 80);
  if (what === 'section') return { of: 'section', id };
  if (what === 'line') return { of: 'lines', ids: [id] };
  return text === 'all' ? { of: 'all' } : null;
}
