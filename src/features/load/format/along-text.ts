/** What stands on an axis, as addresses and the command line write it: `traffic`, `driver users`, `entry LINE usage/stored`. */
import type { Along } from '@/engine/design';

export function writeAlong(along: Along): string {
  switch (along.of) {
    case 'traffic':
      return 'traffic';
    case 'driver':
      return `driver ${along.name}`;
    case 'entry':
      return `entry ${along.line} ${along.entry}`;
  }
}

/** Null: it is none. */
export function readAlong(text: string): Along | null {
  const [of, first, second] = text.trim().split(/\s+/);
  if (of === 'traffic') return { of };
  if (of === 'driver' && first) return { of, name: first };
  if (of === 'entry' && first && second) return { of, line: first, entry: second };
  return null;
}
