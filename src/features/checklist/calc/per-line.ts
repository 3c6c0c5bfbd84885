/** What rules over single lines share. */
import type { Issue, IssueCode } from '@/engine/base';
import type { Rate } from '@/engine/books';
import type { Check, CheckContext, CheckLine, Found } from './model';

type PerLine = (line: CheckLine, context: CheckContext) => Omit<Found, 'subject'> | null;

export function perLine(head: Omit<Check, 'find'>, find: PerLine): Check {
  return {
    ...head,
    find: (context) =>
      context.lines.flatMap((line) => {
        const found = find(line, context);
        return found ? [{ ...found, subject: line.component.id }] : [];
      }),
  };
}

export function noticeOf({ line }: CheckLine, code: IssueCode): Issue | undefined {
  const said = line.status === 'priced' ? line.notices : line.issues;
  return said.find((each) => each.code === code);
}

/** The rates of the line's offer where it stands; none where it is not priced. */
export function ratesHere({ component, line }: CheckLine, context: CheckContext): readonly Rate[] {
  if (line.status !== 'priced' || !line.offer || !component.place) return [];
  return context.bookOf(component)?.ratesOf(line.offer.sku, component.place.region) ?? [];
}
