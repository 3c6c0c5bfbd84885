/** What an alternative differs in, in words: one line for each change. */
import { assertNever } from '@/engine/base';
import { type Change, type Design, findComponent, type Scope } from '@/engine/design';
import { describeTerm } from '@/engine/terms';
import { editSubject, editValue } from './edit-words';

/** How books and regions are called. */
export interface PlaceNames {
  book(key: string): string;
  region(book: string, code: string): string;
}

/**
 * @example
 * const names = { book: () => 'Osmere', region: () => 'Elbe' };
 * changeWords({ change: 'move', what: { of: 'all' }, book: 'osmere', revision: 2, region: null }, design, names); // => 'Everything to Osmere, each line in the nearest region'
 */
export function changeWords(change: Change, design: Design, names: PlaceNames): string {
  switch (change.change) {
    case 'edit':
      return `${editSubject(change.edit, design)}: ${editValue(change.edit)}`;
    case 'move': {
      const { book, region } = change;
      const where =
        region === null
          ? `${names.book(book)}, ${change.what.of === 'lines' && change.what.ids.length === 1 ? 'in' : 'each line in'} the nearest region`
          : `${names.book(book)}, ${names.region(book, region)}`;
      const kept = change.sameProcessor ? ', the same make of processor' : '';
      return `${reach(change.what, design)} to ${where}${kept}`;
    }
    case 'size': {
      const wishes = [
        change.allowBurstable ? 'burstable too' : '',
        change.processor ? `on ${change.processor}` : '',
      ].filter(Boolean);
      const more = wishes.length > 0 ? `, ${wishes.join(', ')}` : '';
      return `${reach(change.what, design)}: the cheapest that fits${more}`;
    }
    case 'pay':
      return `${reach(change.what, design)} paid ${describeTerm(change.term)}`;
    case 'licences':
      return `Licences ${change.how === 'brought' ? 'brought along' : 'in the rate'}: ${lower(reach(change.what, design))}`;
    case 'traffic':
      return `${reach(change.what, design)} at ${change.times} times the traffic`;
    case 'leave-out':
      return `Without ${lower(reach(change.what, design))}`;
    case 'revision':
      return `${names.book(change.book)} at its revision ${change.revision}`;
    default:
      return assertNever(change);
  }
}

function reach(what: Scope, design: Design): string {
  switch (what.of) {
    case 'all':
      return 'Everything';
    case 'section': {
      const section = design.sections.find(({ id }) => id === what.id);
      return section ? `Section “${section.name}”` : 'A section that is gone';
    }
    case 'lines': {
      const [first] = what.ids;
      if (what.ids.length > 1) return `${what.ids.length} lines`;
      const name = findComponent(design, first!)?.name;
      return name === undefined ? 'A line that is gone' : `“${name}”`;
    }
    default:
      return assertNever(what);
  }
}

const lower = (text: string): string => text.replace(/^[A-Z](?=[a-z])/, (letter) => letter.toLowerCase());
