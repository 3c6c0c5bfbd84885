import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyComponent, anyDesign, designOf, serverOf } from '@tests/support/designs';
import { must } from '../base';
import { allComponents, applyEdit, applyEdits, type Design, type Edit, editTarget, findComponent } from './';

const design = designOf([serverOf('a'), serverOf('b')]);

/** A random edit that can be applied to the design. */
function anyEdit(start: Design): fc.Arbitrary<Edit> {
  const sections = start.sections.map((section) => section.id);
  const components = allComponents(start).map((component) => component.id);
  const section = fc.constantFrom(...sections);
  const index = fc.nat({ max: 8 });
  const always: fc.Arbitrary<Edit>[] = [
    fc
      .string({ minLength: 1, maxLength: 10 })
      .map((value) => ({ edit: 'set-design', field: 'title', value })),
    fc.boolean().map((value) => ({ edit: 'set-assumption', field: 'countAllowances', value })),
    fc.constant<Edit>({ edit: 'pin-books', books: [{ book: 'small', revision: 4 }] }),
    section.map((id) => ({ edit: 'rename-section', id, name: 'Renamed' })),
    section.map((id) => ({ edit: 'place-new-lines', section: id, place: { book: 'small', region: 'elbe' } })),
    fc.constantFrom<Edit>(
      { edit: 'place-new-lines', section: null, place: { book: 'small', region: 'severn' } },
      { edit: 'place-new-lines', section: null, place: null },
    ),
    section.map((id) => ({ edit: 'remove-section', id })),
    index.map((at) => ({
      edit: 'add-section',
      index: at,
      section: { id: 'fresh-s', name: 'Fresh', components: [] },
    })),
    fc.tuple(section, index, anyComponent).map(([home, at, component]) => ({
      edit: 'add-component',
      section: home,
      index: at,
      component: { ...component, id: 'fresh-c' },
    })),
  ];
  if (components.length === 0) return fc.oneof(...always);
  const id = fc.constantFrom(...components);
  return fc.oneof(
    ...always,
    id.map((each): Edit => ({ edit: 'remove-component', id: each })),
    fc
      .tuple(id, section, index)
      .map(([each, home, at]): Edit => ({ edit: 'move-component', id: each, section: home, index: at })),
    fc.tuple(id, fc.nat({ max: 99 })).map(([each, count]): Edit => ({
      edit: 'set-component',
      id: each,
      field: 'count',
      value: { likely: String(count) },
    })),
    id.map((each): Edit => ({ edit: 'set-usage', id: each, meter: 'stored', value: null })),
    id.map((each): Edit => ({
      edit: 'set-usage',
      id: each,
      meter: 'stored',
      value: { amount: { likely: '7' }, unit: 'GB' },
    })),
  );
}

describe('edits', () => {
  it('are taken back exactly by their inverse', () => {
    const cases = anyDesign.chain((start) => anyEdit(start).map((edit) => ({ start, edit })));
    fc.assert(
      fc.property(cases, ({ start, edit }) => {
        const { design: changed, inverse } = must(applyEdit(start, edit));
        expect(must(applyEdit(changed, inverse)).design).toEqual(start);
      }),
      { numRuns: 400 },
    );
  });

  it('apply in order, and undo in the opposite order', () => {
    const edits: Edit[] = [
      { edit: 'set-component', id: 'a', field: 'name', value: 'First' },
      { edit: 'set-component', id: 'a', field: 'name', value: 'Second' },
      { edit: 'remove-component', id: 'b' },
    ];
    const { design: changed, inverse } = must(applyEdits(design, edits));
    expect(findComponent(changed, 'a')?.name).toBe('Second');
    expect(must(applyEdits(changed, inverse)).design).toEqual(design);
  });

  it('leave the given design as it was', () => {
    const before = JSON.stringify(design);
    must(applyEdit(design, { edit: 'remove-component', id: 'a' }));
    expect(JSON.stringify(design)).toBe(before);
  });

  it.each<[Edit, string]>([
    [{ edit: 'remove-component', id: 'gone' }, 'edit.target-gone'],
    [{ edit: 'rename-section', id: 'gone', name: 'x' }, 'edit.target-gone'],
    [{ edit: 'place-new-lines', section: 'gone', place: null }, 'edit.target-gone'],
    [{ edit: 'move-component', id: 'a', section: 'gone', index: 0 }, 'edit.target-gone'],
    [{ edit: 'set-usage', id: 'gone', meter: 'stored', value: null }, 'edit.target-gone'],
    [{ edit: 'add-component', section: 'section', index: 0, component: serverOf('a') }, 'edit.duplicate-id'],
    [
      { edit: 'add-section', index: 0, section: { id: 'section', name: 'x', components: [] } },
      'edit.duplicate-id',
    ],
    [
      { edit: 'add-section', index: 0, section: { id: 'n', name: 'x', components: [serverOf('n')] } },
      'edit.duplicate-id',
    ],
  ])('%j is refused with %s', (edit, code) => {
    expect(applyEdit(design, edit)).toMatchObject({ ok: false, issue: { code } });
  });

  it('know what they touch, so that only real conflicts are asked about', () => {
    const count: Edit = { edit: 'set-component', id: 'a', field: 'count', value: { likely: '2' } };
    expect(editTarget(count)).toBe(editTarget({ ...count, value: { likely: '9' } } as Edit));
    expect(editTarget(count)).not.toBe(
      editTarget({ edit: 'set-component', id: 'a', field: 'name', value: 'x' }),
    );
    expect(editTarget(count)).not.toBe(editTarget({ ...count, id: 'b' } as Edit));
  });
});
