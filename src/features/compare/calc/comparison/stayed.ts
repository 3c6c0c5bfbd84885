/** What makes a side lack something, and what does not. */
import type { Issue } from '@/engine/base';

/** Why a line could not follow: what was wanted of it is not there. A way of paying that is not sold is none of these. */
export const STAYED: ReadonlySet<string> = new Set([
  'move.stays',
  'move.none-of-kind',
  'region.unknown',
  'offer.unknown',
  'book.missing',
  'change.out-of-range',
]);

/** Whether a line is there less than it was: it could not follow, or its offer cannot do something any more. */
export function lacksSomething(changed: boolean, { code }: Issue): boolean {
  return changed ? code === 'move.lacks' : STAYED.has(code);
}
