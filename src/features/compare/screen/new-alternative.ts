/** Alternatives that one asks for most, each made by one act, and edits that put them into the design. */
import type { Alternative, AlternativeEdit, Change, Component, Design, Scope } from '@/engine/design';
import { describeTerm } from '@/engine/terms';
import type { Term } from '@/engine/terms';
import type { BookInfo } from '@/features/design/screen/book-list';

export interface Suggested {
  readonly name: string;
  readonly detail: string;
  readonly changes: readonly Change[];
}

const ALL: Scope = { of: 'all' };
const TERMS: readonly Term[] = ['12-none', '36-all'];

export function suggestedFor(design: Design, bookList: readonly BookInfo[]): Suggested[] {
  return [
    ...bookList.map(({ key, title, revision }): Suggested => ({
      name: `All at ${title}`,
      detail: 'everything there, each line in the nearest region',
      changes: [
        { change: 'move', what: ALL, book: key, revision: pinned(design, key) ?? revision, region: null },
      ],
    })),
    {
      name: 'Cheapest that fits',
      detail: 'in place of fixed sizes',
      changes: [{ change: 'size', what: ALL }],
    },
    ...TERMS.map((term): Suggested => ({
      name: `Paid ${describeTerm(term)}`,
      detail: 'whatever may be committed',
      changes: [{ change: 'pay', what: ALL, term }],
    })),
    {
      name: 'Twice the traffic',
      detail: 'all that follows traffic',
      changes: [{ change: 'traffic', what: ALL, times: '2' }],
    },
    { name: 'An empty one', detail: 'changed by hand', changes: [] },
  ];
}

/** The same of some lines, and without them. */
export function suggestedForLines(
  design: Design,
  lines: readonly Component[],
  bookList: readonly BookInfo[],
): Suggested[] {
  const what: Scope = { of: 'lines', ids: lines.map(({ id }) => id) };
  const named = lines.length === 1 ? lines[0]!.name : `${lines.length} lines`;
  const one = (how: string, change: Change): Suggested => ({
    name: `${named}: ${how}`.slice(0, 200),
    detail: how,
    changes: [change],
  });
  return [
    ...bookList.map(({ key, title, revision }) =>
      one(`at ${title}`, {
        ...{ change: 'move', what, book: key, revision: pinned(design, key) ?? revision, region: null },
      }),
    ),
    one('cheapest that fits', { change: 'size', what }),
    ...TERMS.map((term) => one(`paid ${describeTerm(term)}`, { change: 'pay', what, term })),
    one('left out', { change: 'leave-out', what }),
  ];
}

const pinned = (design: Design, book: string): number | undefined =>
  design.books.find((each) => each.book === book)?.revision;

/** Puts a new one last. A name that is taken gets a number. */
export function added(
  design: Design,
  { name, changes }: Pick<Alternative, 'name' | 'changes'>,
  id: string,
): AlternativeEdit {
  const all = design.alternatives ?? [];
  return {
    edit: 'put-alternative',
    index: all.length,
    alternative: { id, name: freeName(name, all), note: '', changes },
  };
}

function freeName(name: string, all: readonly Alternative[]): string {
  const taken = new Set(all.map((each) => each.name));
  if (!taken.has(name)) return name;
  let count = 2;
  while (taken.has(`${name} ${count}`)) count += 1;
  return `${name} ${count}`;
}

/** Puts a changed one in its own place, or in another. */
export function changed(design: Design, alternative: Alternative, index?: number): AlternativeEdit {
  const at = (design.alternatives ?? []).findIndex(({ id }) => id === alternative.id);
  return { edit: 'put-alternative', index: index ?? Math.max(0, at), alternative };
}

/** The same, with what there is to say of it. */
export function withNote(edit: AlternativeEdit, note: string): AlternativeEdit {
  return edit.edit === 'put-alternative' ? { ...edit, alternative: { ...edit.alternative, note } } : edit;
}
