import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { componentOf, designOf, serverOf } from '@tests/support/designs';
import { must } from '../base';
import { applyEdits, type Change, type Design, type DesignEdit, recorded } from './';

const design = designOf([serverOf('a'), serverOf('b')]);

const anyEdit: fc.Arbitrary<DesignEdit> = fc.oneof(
  fc
    .record({ id: fc.constantFrom('a', 'b'), likely: fc.constantFrom('1', '2', '7') })
    .map(({ id, likely }): DesignEdit => ({ edit: 'set-component', id, field: 'count', value: { likely } })),
  fc.constantFrom('a', 'b').map((id): DesignEdit => ({
    edit: 'set-component',
    id,
    field: 'term',
    value: '12-none',
  })),
  fc.boolean().map((value): DesignEdit => ({ edit: 'set-assumption', field: 'countAllowances', value })),
  fc.constantFrom<DesignEdit>(
    { edit: 'set-usage', id: 'a', meter: 'stored', value: { amount: { likely: '7' }, unit: 'GB' } },
    { edit: 'set-usage', id: 'a', meter: 'stored', value: null },
    { edit: 'rename-section', id: 's', name: 'Renamed' },
    { edit: 'remove-component', id: 'b' },
    { edit: 'add-component', section: 's', index: 0, component: componentOf({ id: 'b', kind: 'server' }) },
    { edit: 'move-component', id: 'a', section: 's', index: 1 },
  ),
);

const editsOf = (changes: readonly Change[]): DesignEdit[] =>
  changes.flatMap((each) => (each.change === 'edit' ? [each.edit] : []));

/** As the ledger does it: what cannot be done is refused there and never becomes a change. */
function typed(edits: readonly DesignEdit[]): { design: Design; changes: readonly Change[] } {
  return edits.reduce<{ design: Design; changes: readonly Change[] }>(
    (so, edit) => {
      const applied = applyEdits(so.design, [edit]);
      if (!applied.ok) return so;
      return { design: applied.value.design, changes: recorded(so.changes, [edit]) };
    },
    { design, changes: [] },
  );
}

describe('what is done to an alternative', () => {
  it('becomes changes that come to the same design', () => {
    let replaced = 0;
    fc.assert(
      fc.property(fc.array(anyEdit, { maxLength: 20 }), (edits) => {
        const so = typed(edits);
        const again = must(applyEdits(design, editsOf(so.changes))).design;
        expect(again).toEqual(so.design);
        replaced += edits.length - so.changes.length;
      }),
      { numRuns: 400 },
    );
    expect(replaced).toBeGreaterThan(100);
  });

  it('keeps one change of what is set again and again, as it was last', () => {
    const count = (likely: string): DesignEdit => ({
      edit: 'set-component',
      id: 'a',
      field: 'count',
      value: { likely },
    });
    const term: DesignEdit = { edit: 'set-component', id: 'a', field: 'term', value: '12-none' };
    expect(editsOf(recorded([], [count('2'), term, count('3')]))).toEqual([term, count('3')]);
  });

  it('leaves what was set before a wide change, which may have read it', () => {
    const wide: Change = { change: 'traffic', what: { of: 'all' }, times: '2' };
    const edit: DesignEdit = { edit: 'set-assumption', field: 'countAllowances', value: false };
    expect(recorded([{ change: 'edit', edit }, wide], [edit])).toHaveLength(3);
  });
});
