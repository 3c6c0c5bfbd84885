/** Designs of any size for measuring: the demo's booking design, repeated. */
import { indexBook } from '@/core/books';
import type { Design } from '@/core/design';
import { type BookSet, bookSet } from '@/core/pricing';
import { DEMO_DESIGNS } from '@/demo/designs';
import { DEMO_REVISIONS, generateBook } from '@/demo/generate-book';
import { DEMO_PROFILES } from '@/demo/profiles';
import { toBookData } from '@/formats';

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
