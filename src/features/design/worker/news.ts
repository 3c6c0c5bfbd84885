/**
 * A design as a worker is told of it: what differs from the one it was told before. Sections and components that are the
 * same objects here stay the same objects there, so that pricing takes them over; a keystroke sends one component.
 */
import type { Component, Design, Section } from '@/engine/design';

/** A number: the section at that place of the design before, or its component at that place counted through. */
export type DesignNews =
  | { readonly whole: Design }
  | {
      /** Everything but the sections; null: as before. */
      readonly rest: Omit<Design, 'sections'> | null;
      readonly sections: readonly (number | SectionNews)[] | null;
    };

export interface SectionNews {
  readonly section: Omit<Section, 'components'>;
  readonly components: readonly (number | Component)[];
}

/** What to tell of `design` to one who was told `before`. */
export function newsOf(before: Design | null, design: Design): DesignNews {
  if (!before) return { whole: design };
  const { sections, ...rest } = design;
  const { sections: sectionsBefore, ...restBefore } = before;
  return {
    rest: sameFields(restBefore, rest) ? null : rest,
    sections: sections === sectionsBefore ? null : sectionNews(sectionsBefore, sections),
  };
}

function sectionNews(before: readonly Section[], now: readonly Section[]): (number | SectionNews)[] {
  const sections = new Map(before.map((each, at) => [each, at]));
  let components: Map<Component, number> | null = null;
  return now.map((each) => {
    const known = sections.get(each);
    if (known !== undefined) return known;
    const places = (components ??= new Map(flat(before).map((component, at) => [component, at])));
    const { components: own, ...section } = each;
    return { section, components: own.map((component) => places.get(component) ?? component) };
  });
}

/** The design that the news tell of. Throws where they follow on another design than `before`. */
export function heard(before: Design | null, news: DesignNews): Design {
  if ('whole' in news) return news.whole;
  if (!before) throw new Error('news of a design that was never told');
  const { rest, sections } = news;
  const all = sections ? flat(before.sections) : [];
  const place = <T>(list: readonly T[], at: number): T => {
    const found = list[at];
    if (found === undefined) throw new Error('news of another design');
    return found;
  };
  return {
    ...(rest ?? before),
    sections:
      sections?.map((each) =>
        typeof each === 'number'
          ? place(before.sections, each)
          : {
              ...each.section,
              components: each.components.map((one) => (typeof one === 'number' ? place(all, one) : one)),
            },
      ) ?? before.sections,
  };
}

function flat(sections: readonly Section[]): Component[] {
  return sections.flatMap((section) => section.components);
}

function sameFields(a: object, b: object): boolean {
  const [left, right] = [Object.entries(a), new Map(Object.entries(b))];
  return (
    left.length === right.size && left.every(([name, value]) => right.has(name) && right.get(name) === value)
  );
}
