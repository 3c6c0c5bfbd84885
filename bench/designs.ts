/** Designs of any size for measuring: the demo's booking design, repeated. */
import { indexBook } from '@/engine/books';
import type { Alternative, Change, Design, Scope } from '@/engine/design';
import { type BookSet, bookSet } from '@/engine/pricing';
import { DEMO_DESIGNS } from '@/demo/designs';
import { DEMO_REVISIONS, generateBook } from '@/demo/generate-book';
import { DEMO_PROFILES } from '@/demo/profiles';
import { toBookData } from '@/features/price-books/format/price-book';

const ALL: Scope = { of: 'all' };
const BOOKS = ['norvane', 'haldreach', 'osmere', 'kitewharf'] as const;

/** As different as alternatives are: places, ways of paying, loads, sizes, a part left out. */
export const TWELVE: readonly Alternative[] = [
  ...BOOKS.map((book): Change => ({ change: 'move', what: ALL, book, revision: 2, region: null })),
  ...(['12-none', '36-part', '36-all'] as const).map((term): Change => ({ change: 'pay', what: ALL, term })),
  ...(['0.5', '2', '10'] as const).map((times): Change => ({ change: 'traffic', what: ALL, times })),
  { change: 'size', what: ALL } as const,
  { change: 'leave-out', what: { of: 'section', id: 's2' } } as const,
].map((change, at) => ({ id: `a${at}`, name: `Alternative ${at + 1}`, note: '', changes: [change] }));

export function designOfSize(components: number): Design {
  const template = DEMO_DESIGNS[0]!;
  const parts = template.sections.flatMap((section) => section.components);
  const all = Array.from({ length: components }, (_, index) => {
    const part = parts[index % parts.length]!;
    return { ...part, id: `c${index}`, name: `${part.name} ${index}` };
  });
  const sections = Array.from({ length: Math.ceil(components / 20) }, (_, index) => ({
    id: `s${index}`,
    name: `Section ${index + 1}`,
    components: all.slice(index * 20, index * 20 + 20),
  }));
  return { ...template, title: `Design of ${components}`, sections };
}

export function demoBooks(): BookSet {
  const latest = DEMO_REVISIONS[DEMO_REVISIONS.length - 1]!;
  return bookSet(DEMO_PROFILES.map((profile) => indexBook(toBookData(generateBook(profile, latest)))));
}
