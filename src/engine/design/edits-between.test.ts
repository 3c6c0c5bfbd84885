import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyDesign, designOf, serverOf, volumeOf } from '@tests/support/designs';
import { anyWideDesign } from '@tests/support/wide-designs';
import { applyEdits, type Component, type Design, editsBetween } from './';

/** Several sections with components under few ids, so that they are moved, renamed and of other kinds. */
const shuffled: fc.Arbitrary<Design> = fc
  .tuple(
    fc.oneof(anyDesign, anyWideDesign),
    fc.array(fc.tuple(fc.constantFrom('s1', 's2', 's3'), fc.constantFrom('One', 'Two')), { maxLength: 3 }),
    fc.nat({ max: 5 }),
    fc.shuffledSubarray(['c0', 'c1', 'c2', 'c3', 'c4', 'c5', 'c6', 'c7', 'c8']),
  )
  .map(([design, sections, cut, ids]) => {
    const components = design.sections
      .flatMap((section) => section.components)
      .slice(0, ids.length)
      .map((component, index) => ({ ...component, id: ids[index]! }));
    const named = [...new Map(sections).entries()];
    return {
      ...design,
      sections: named.map(([id, name], index) => ({
        id,
        name,
        components: index === 0 ? components.slice(0, cut) : index === 1 ? components.slice(cut) : [],
      })),
      answers: ids
        .slice(0, 2)
        .map((subject) => ({ check: 'no-backup', subject, reason: `Because of ${cut}.` })),
    };
  });

/** A field that is null is a field that is not there. */
function withoutNothing(component: Component): Component {
  return Object.fromEntries(
    Object.entries(component).filter(([, value]) => value !== null),
  ) as typeof component;
}

const sorted = (design: Design): Design => ({
  ...design,
  sections: design.sections.map((section) => ({
    ...section,
    components: section.components.map(withoutNothing),
  })),
  agreements: design.agreements ?? [],
  answers: [...(design.answers ?? [])].sort((a, b) => (a.subject < b.subject ? -1 : 1)),
});

describe('the edits between two designs', () => {
  it('turn the one into the other, and can be taken back', () => {
    fc.assert(
      fc.property(shuffled, shuffled, (from, to) => {
        const applied = applyEdits(from, editsBetween(from, to));
        if (!applied.ok) throw new Error(applied.issue.code);
        expect(JSON.parse(JSON.stringify(sorted(applied.value.design)))).toEqual(
          JSON.parse(JSON.stringify(sorted(to))),
        );
        const back = applyEdits(applied.value.design, applied.value.inverse);
        expect(back.ok && JSON.parse(JSON.stringify(sorted(back.value.design)))).toEqual(
          JSON.parse(JSON.stringify(sorted(from))),
        );
      }),
      { numRuns: 300 },
    );
  });

  it('are none between a design and itself, whatever the order of its keys', () => {
    fc.assert(
      fc.property(shuffled, (design) => {
        const turned = JSON.parse(
          JSON.stringify(design, (_, value: unknown) =>
            value && typeof value === 'object' && !Array.isArray(value)
              ? Object.fromEntries(Object.entries(value).reverse())
              : value,
          ),
        ) as Design;
        expect(editsBetween(design, turned)).toEqual([]);
      }),
    );
  });

  it('are as small as what changed', () => {
    const from = designOf([serverOf('a'), volumeOf('v', { likely: '80' }), serverOf('b')]);
    const section = from.sections[0]!;
    const [a, v, b] = section.components as [(typeof section.components)[0], ...typeof section.components] &
      typeof section.components;
    const to: Design = {
      ...from,
      sections: [{ ...section, components: [b!, { ...a!, count: { likely: '3' } }, v!] }],
    };
    expect(editsBetween(from, to)).toEqual([
      { edit: 'remove-component', id: 'b' },
      { edit: 'add-component', section: 'section', index: 0, component: b },
      { edit: 'set-component', id: 'a', field: 'count', value: { likely: '3' } },
    ]);
  });

  it('say where new lines are placed, of the design and of a section', () => {
    const from = designOf([]);
    const elbe = { book: 'small', region: 'elbe' };
    const to = { ...from, place: elbe, sections: [{ ...from.sections[0]!, place: elbe }] };
    const edits = editsBetween(from, to);
    expect(edits).toEqual([
      { edit: 'place-new-lines', section: null, place: elbe },
      { edit: 'place-new-lines', section: 'section', place: elbe },
    ]);
    const applied = applyEdits(from, edits);
    expect(applied.ok && applied.value.design).toEqual(to);
    const back = applied.ok && applyEdits(applied.value.design, applied.value.inverse);
    expect(back && back.ok && back.value.design).toEqual(from);
  });
});
